// A copy of the sources below the root, so that packages are found there; its core is its own.
import { cpSync, mkdirSync, rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';

const PARTS = ['core', 'app', 'scripts', 'tools', 'package.json', 'tsconfig.base.json'];

/** Makes it, and answers where it is. What stood there goes. */
export function copyOfHouse(root, house) {
  rmSync(house, { recursive: true, force: true });
  for (const part of PARTS)
    cpSync(join(root, part), join(house, part), {
      recursive: true,
      filter: (path) => !/node_modules|\/dist$/.test(path),
    });
  mkdirSync(join(house, 'node_modules/@rosefinch'), { recursive: true });
  symlinkSync(join(house, 'core'), join(house, 'node_modules/@rosefinch/core'));
  return house;
}
