import { type MessageFormatElement, TYPE } from '@formatjs/icu-messageformat-parser';

/** A parsed text in few characters: words as they are, the number sign as 0, everything else by its argument. */
export type Packed = readonly PackedElement[];

type PackedElement =
  | string
  | 0
  | readonly [argument: string, style?: string]
  | readonly [argument: string, kind: 'select' | 'plural' | 'ordinal', options: PackedOptions];

type PackedOptions = Readonly<Record<string, Packed>>;

/** Packs a parsed text; what messages never hold, such as dates and tags, is left to the checks of the catalogue. */
export function packed(elements: readonly MessageFormatElement[]): Packed {
  return elements.map((element): PackedElement => {
    switch (element.type) {
      case TYPE.literal:
        return element.value;
      case TYPE.pound:
        return 0;
      case TYPE.number:
        return [element.value, String(element.style)];
      case TYPE.select:
        return [element.value, 'select', packedOptions(element.options)];
      case TYPE.plural:
        return [
          element.value,
          element.pluralType === 'ordinal' ? 'ordinal' : 'plural',
          packedOptions(element.options),
        ];
      default:
        return [element.value];
    }
  });
}

function packedOptions(
  options: Readonly<Record<string, { readonly value: readonly MessageFormatElement[] }>>,
): PackedOptions {
  return Object.fromEntries(
    Object.entries(options).flatMap(([name, { value }]) =>
      // The one that no value leads to is put back by itself.
      value.length === 0 && name === 'other' ? [] : [[name, packed(value)]],
    ),
  );
}
