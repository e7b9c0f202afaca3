import { parse } from '@formatjs/icu-messageformat-parser';
import { expect } from 'chai';
import { readCatalogue } from './english.ts';
import { translator, USUAL_READER, unpacked } from './index.ts';
import { packed } from './packed.ts';
import { samplesOf } from './samples.ts';

describe('the English catalogue', () => {
  const catalogue = readCatalogue('en');
  const ids = Object.entries(catalogue).flatMap(([module, texts]) =>
    Object.entries(texts).map(([key, text]) => ({ id: `${module}.${key}`, text: text as string })),
  );
  const asPacked = Object.fromEntries(
    Object.entries(catalogue).map(([module, texts]) => [
      module,
      Object.fromEntries(
        Object.entries(texts).map(([key, text]) => [
          key,
          unpacked(packed(parse(text as string, { captureLocation: false, ignoreTag: true }))),
        ]),
      ),
    ]),
  );
  const written = translator(catalogue, USUAL_READER);
  const unpackedWords = translator(asPacked, USUAL_READER);

  it('reads the same as written and as it is packed for the page, with every sample', () => {
    expect(ids.length).to.be.above(1500);
    for (const { id, text } of ids)
      for (const args of samplesOf(text)) {
        const message = { id, args } as never;
        expect(unpackedWords(message), id).to.equal(written(message));
      }
  });

  it('leaves no hole in any sentence: nothing unwritten, no stray blanks', () => {
    for (const { id, text } of ids)
      for (const args of samplesOf(text)) {
        const said = written({ id, args } as never);
        expect(said, id).to.not.match(/undefined|NaN|\[object|[{}]|[^ ] {2}[^ ]| [,.:]|^ | $/);
        if (text !== '') expect(said, `${id} with ${JSON.stringify(args)}`).to.not.equal('');
      }
  });
});
