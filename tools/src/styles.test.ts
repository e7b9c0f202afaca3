import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { expect } from 'chai';

const app = join(import.meta.dirname, '../../app/src');
const files = readdirSync(app, { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile())
  .map((entry) => relative(app, join(entry.parentPath, entry.name)));
const text = (file: string) => readFileSync(join(app, file), 'utf8');
/** Names of classes that a style sheet speaks of; Mantine's own are not ours. */
const classesIn = (css: string) =>
  [...css.matchAll(/\.([a-z][a-zA-Z-]*)(?=[^{}]*\{)/g)]
    .map(([, name]) => name ?? '')
    .filter((name) => !name.startsWith('mantine-'));
const drawnIn = (folder: string, name: string) =>
  files.some(
    (file) =>
      file.endsWith('.tsx') &&
      (folder === '' || dirname(file) === folder) &&
      new RegExp(`className=[^>]*(?<![\\w-])${name}(?![\\w-])`, 's').test(text(file)),
  );

describe('style sheets', () => {
  const sheets = files.filter((file) => file.endsWith('.css'));

  it('each part and view has its own', () => {
    expect(sheets.length).to.be.at.least(9);
  });

  for (const sheet of sheets.filter((file) => !file.endsWith('theme.css')))
    it(`${sheet} speaks of its own folder alone`, () => {
      const folder = dirname(sheet);
      // The layout of the jobs is a part that the views fill.
      // What a part offers, views may draw; a view draws what is its own.
      for (const name of new Set(classesIn(text(sheet))))
        expect(drawnIn(folder.startsWith('views/') ? folder : '', name), `.${name}`).to.equal(true);
    });

  it('a view is drawn by the theme, by parts and by its own sheet, never by another view’s', () => {
    const named = (some: readonly string[]) =>
      new Set(some.flatMap((sheet) => classesIn(text(sheet))));
    const shared = named(sheets.filter((sheet) => !sheet.startsWith('views/')));
    for (const file of files.filter((one) => /^views\/.*\.tsx$/.test(one))) {
      const mine = named(sheets.filter((sheet) => dirname(sheet) === dirname(file)));
      const others = named(sheets.filter((sheet) => dirname(sheet) !== dirname(file)));
      const drawn = [...text(file).matchAll(/className="([^"]*)"/g)].flatMap(([, names = '']) =>
        names.split(' '),
      );
      for (const name of drawn)
        expect(
          others.has(name) && !shared.has(name) && !mine.has(name),
          `${file}: .${name}`,
        ).to.equal(false);
    }
  });

  it('the theme knows no view: what it names is drawn in more than one folder, or in the frame', () => {
    const names = new Set(classesIn(text('parts/frame/theme.css')));
    for (const name of names) {
      const folders = new Set(
        files
          .filter((file) => file.endsWith('.tsx') && drawnIn(dirname(file), name))
          .map((file) => dirname(file)),
      );
      const views = [...folders].filter((folder) => folder.startsWith('views/'));
      expect(folders.size, `.${name} is drawn nowhere`).to.be.above(0);
      expect(views.length === 1 && folders.size === 1, `.${name} belongs to ${views[0]}`).to.equal(
        false,
      );
    }
  });
});
