import type { Instrument } from '../strings/index.ts';
import { steelGuitar } from '../strings/index.ts';

/** The invented lending library that the demo opens with. */
export function saltmarshLibrary(): Instrument[] {
  return [
    steelGuitar('heron', 'Heron', 'Steel-string guitar. Lent out most weeks.'),
    steelGuitar('wren', 'Wren', 'Small-bodied guitar. Kept by the window.'),
    steelGuitar('dunlin', 'Dunlin', 'Nobody has touched it since spring.'),
  ];
}
