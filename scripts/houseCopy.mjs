// A copy of the sources below the root, so that packages are found there; its core is its own.
import { cpSync, existsSync, mkdirSync, rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';

const PARTS = [
  'core',
  'words',
  'messages',
  'app',
  'scripts',
  'tools',
  'package.json',
  'tsconfig.base.json',
];

/** Makes it, and answers where it is. What stood there goes. */
export function copyOfHouse(root, house) {
  rmSync(house, { recursive: true, force: true });
  for (const part of PARTS)
    cpSync(join(root, part), join(house, part), {
      recursive: true,
      filter: (path) => !/node_modules|\/dist$/.test(path),
    });
  mkdirSync(join(house, 'node_modules/@rosefinch'), { recursive: true });
  for (const part of ['core', 'words'])
    symlinkSync(join(house, part), join(house, 'node_modules/@rosefinch', part));
  // Packages that a part has of another version than the rest stand beside it.
  for (const part of PARTS.map((name) => join(name, 'node_modules')))
    if (existsSync(join(root, part))) symlinkSync(join(root, part), join(house, part));
  return house;
}
