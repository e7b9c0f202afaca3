import type { Instrument } from '../strings/index.ts';
import { findModel } from '../strings/index.ts';

/** Model, name, note: the invented lending library that the demo opens with. */
const LIBRARY: readonly (readonly [model: string, name: string, note: string])[] = [
  ['steel-guitar', 'Heron', 'Steel-string guitar. Lent out most weeks.'],
  ['steel-guitar', 'Wren', 'Small-bodied guitar. Kept by the window.'],
  ['steel-guitar', 'Dunlin', 'Nobody has touched it since spring.'],
  ['nylon-guitar', 'Curlew', 'Nylon strings. For the beginners’ group.'],
  ['nylon-guitar', 'Plover', 'Drifts flat in the dry season.'],
  ['seven-guitar', 'Bittern', 'Seven strings. One pupil asks for it.'],
  ['ukulele-soprano', 'Stonechat', 'Just restrung.'],
  ['ukulele-concert', 'Linnet', 'A high second fret.'],
  ['ukulele-tenor', 'Redshank', 'Low action, quiet.'],
  ['ukulele-baritone', 'Whimbrel', 'High action. Tuned like the top four of a guitar.'],
  ['banjo-five', 'Lapwing', 'Five strings. Its bridge has wandered.'],
  ['banjo-tenor', 'Avocet', 'Four strings, for the Thursday session.'],
];

/** The instruments of the Saltmarsh Library. */
export function saltmarshLibrary(): Instrument[] {
  return LIBRARY.flatMap(([model, name, note]) => {
    const found = findModel(model);
    return found ? [found.build(name.toLowerCase(), name, note)] : [];
  });
}
