import {
  type Clock,
  forceValue,
  lengthValue,
  type MessageId,
  type MomentForm,
  message,
  moment,
  type Text,
  type Value,
} from '@rosefinch/core/message';
import { type Accidental, bothNames, noteName } from '@rosefinch/core/music';
import type { Cents, EpochMs, Midi, Millimetres, Newtons } from '@rosefinch/core/units';
import { type Formatters, IntlMessageFormat } from 'intl-messageformat';
import { momentFigure } from './moments.ts';
import {
  fixed,
  forceFigure,
  lengthFigure,
  lengthUnit,
  type Reader,
  signedFigure,
  written,
} from './reader.ts';

/** A text that was parsed beforehand. */
export type Parsed = ReturnType<IntlMessageFormat['getAst']>;

/** The texts of a module of the catalogue by their keys: as written, or parsed beforehand. */
export type Texts = Readonly<Record<string, string | Parsed>>;

/** The texts of a language by module; modules may be added as they are loaded. */
export type Catalogued = Readonly<Record<string, Texts>>;

type ArgumentsOf<Id extends MessageId> =
  Parameters<typeof message<Id>> extends [Id, ...infer Rest] ? Rest : never;

/** Turns messages into the words of a language, as somebody reads them. */
export interface Words {
  /** The words of a message or of several sentences; '' for none. */
  (text: Text | null | undefined): string;
  /** The words of a message by its id. @example t('bench.pluckAny') */
  <Id extends MessageId>(id: Id, ...args: ArgumentsOf<Id>): string;
  /** Any argument as it stands inside a sentence: a note, a length, a list. */
  value(value: Value): string;
  /** A number with so many decimals. */
  number(value: number, digits?: number): string;
  /** Cents with their sign: +2.5. */
  signed(cents: Cents): string;
  /** In whole cents, of a pitch that moves. */
  signedWhole(cents: Cents): string;
  /** A note with its octave. */
  note(midi: Midi, spelling?: Accidental): string;
  /** A length in the reader’s unit, given in millimetres, with so many decimals in millimetres. */
  lengthOf(mm: Millimetres, digits: number, unit?: boolean): string;
  /** A force in the reader’s unit. */
  force(newtons: Newtons, unit?: boolean): string;
  moment(at: EpochMs, clock: Clock, form: MomentForm): string;
  readonly reader: Reader;
}

const STYLES = {
  whole: { minimumFractionDigits: 0, maximumFractionDigits: 0 },
  tenths: { minimumFractionDigits: 1, maximumFractionDigits: 1 },
  hundredths: { minimumFractionDigits: 2, maximumFractionDigits: 2 },
  thousandths: { minimumFractionDigits: 3, maximumFractionDigits: 3 },
} as const;

const LISTS = {
  and: { type: 'conjunction', style: 'long' },
  or: { type: 'disjunction', style: 'long' },
} as const;

/**
 * The translator of a language for a reader.
 * @param missing what happens where a message's module is not loaded
 */
export function translator(
  texts: Catalogued,
  reader: Reader,
  missing: (module: string) => never = notLoaded,
): Words {
  const formats = new Map<MessageId, (args: Record<string, unknown>) => string>();
  const formatOf = (id: MessageId) => {
    const known = formats.get(id);
    if (known) return known;
    const made = format(textOf(texts, id, missing), reader);
    formats.set(id, made);
    return made;
  };
  const say = (text: Text | null | undefined): string => {
    if (!text) return '';
    if ('id' in text) {
      const { id, args = {} } = text;
      return formatOf(id)(
        Object.fromEntries(Object.entries(args).map(([name, value]) => [name, plain(value)])),
      );
    }
    return text.map(say).join(' ');
  };
  // A number stays one for the format’s own rules; everything else is written out first.
  const plain = (value: Value) => (typeof value === 'number' ? value : writtenOf(value));
  const writtenOf = (value: Value): string => {
    if (typeof value === 'string') return value;
    if (typeof value === 'number') return written(value, reader);
    return 'kind' in value ? quantity(value) : say(value);
  };
  const quantity = (value: Extract<Value, { kind: string }>): string => {
    switch (value.kind) {
      case 'note':
        return noteFigure(value, reader);
      case 'signed':
        return signedFigure(value.cents, reader);
      case 'length': {
        const figure = lengthFigure(value.mm, value.digits, reader);
        return value.unit ? `${figure} ${lengthUnit(reader)}` : figure;
      }
      case 'force': {
        const figure = forceFigure(value.newtons, reader);
        return value.unit ? `${figure} ${reader.force}` : figure;
      }
      case 'list':
        return listed(value.items.map(writtenOf), value.joined, reader, say);
      case 'moment':
        return momentFigure(
          value.at,
          value.form,
          { zone: value.zone, now: value.now, locale: reader.dates },
          (day, time) =>
            time === null
              ? say(message('common.nearDay', { day }))
              : say(message('common.nearDayAt', { day, time })),
        );
    }
  };
  const words = (first: Text | MessageId | null | undefined, args?: unknown): string =>
    typeof first === 'string'
      ? say({ id: first, ...(args ? { args: args as Record<string, Value> } : {}) })
      : say(first);
  return Object.assign(words, {
    value: writtenOf,
    number: (value: number, digits = 0) => fixed(value, digits, reader),
    signed: (cents: Cents) => signedFigure(cents, reader),
    signedWhole: (cents: Cents) => signedFigure(cents, reader, 0),
    note: (midi: Midi, spelling?: Accidental) => noteName(midi, spelling, reader),
    lengthOf: (mm: Millimetres, digits: number, unit = true) =>
      writtenOf(lengthValue(mm, digits, unit)),
    force: (newtons: Newtons, unit = true) => writtenOf(forceValue(newtons, unit)),
    moment: (at: EpochMs, clock: Clock, form: MomentForm) => writtenOf(moment(at, clock, form)),
    reader,
  }) as Words;
}

/** The text of an id; the id itself where a loaded module lacks it, so that a language that lags behind shows where. */
function textOf(texts: Catalogued, id: MessageId, missing: (module: string) => never) {
  const point = id.indexOf('.');
  const module = id.slice(0, point);
  return (texts[module] ?? missing(module))[id.slice(point + 1)] ?? id;
}

function notLoaded(module: string): never {
  throw new Error(`The messages of “${module}” are not loaded.`);
}

/** The type of a plain argument in a parsed text, unlike figures, plurals and choices. */
const ARGUMENT = 1;
/** The same argument as it is written out. */
const writtenOut = (name: string) => `${name} written`;

/** A formatter of one text; plain words need none. */
function format(text: string | Parsed, reader: Reader) {
  if (typeof text === 'string' && !/[{}]/.test(text)) return () => text.replaceAll("''", "'");
  const parsed = new IntlMessageFormat(text, reader.language, undefined, OPTIONS).getAst();
  const made = new IntlMessageFormat(
    withWritten(parsed),
    reader.language,
    { number: STYLES },
    { ...OPTIONS, formatters: formattersOf(reader) },
  );
  return (args: Record<string, unknown>) =>
    made.format<string>({
      ...(args as Record<string, string>),
      ...Object.fromEntries(
        Object.entries(args).map(([name, value]) => [
          writtenOut(name),
          typeof value === 'number' ? written(value, reader) : String(value),
        ]),
      ),
    }) as string;
}

const OPTIONS = { ignoreTag: true } as const;

/** A number keeps its value for figures, plurals and choices; where it stands alone it is written out as the reader writes it. */
function withWritten(elements: Parsed): Parsed {
  return elements.map((element) => {
    if (element.type === ARGUMENT) return { ...element, value: writtenOut(element.value) };
    if (!('options' in element)) return element;
    const options = Object.entries(element.options).map(([name, option]) => [
      name,
      { ...option, value: withWritten(option.value) },
    ]);
    return { ...element, options: Object.fromEntries(options) } as typeof element;
  });
}

/** Figures are written as the reader is used to, whatever the language. */
function formattersOf({ decimal }: Reader): Formatters {
  return {
    getNumberFormat: (_, options) =>
      new Intl.NumberFormat(decimal === ',' ? 'de' : 'en', { useGrouping: false, ...options }),
    getDateTimeFormat: (locales, options) => new Intl.DateTimeFormat(locales, options),
    getPluralRules: (locales, options) => {
      const rules = new Intl.PluralRules(locales, options);
      // What is shown as “1” takes the form of one, whatever was rounded away.
      return {
        select: (value) => rules.select(Math.round(value)),
        resolvedOptions: () => rules.resolvedOptions(),
      };
    },
  };
}

function noteFigure(
  { midi, spelling, form }: Extract<Value, { kind: 'note' }>,
  reader: Reader,
): string {
  if (form === 'both names') return bothNames(midi, spelling, reader);
  const name = noteName(midi, spelling, reader);
  return form === 'name' ? name.replace(/-?\d+$/, '') : name;
}

function listed(
  items: readonly string[],
  joined: Extract<Value, { kind: 'list' }>['joined'],
  { language }: Reader,
  say: (text: Text) => string,
): string {
  // British custom: no comma before the “and”.
  const locale = language === 'en' ? 'en-GB' : language;
  switch (joined) {
    case 'and':
    case 'or':
      return new Intl.ListFormat(locale, LISTS[joined]).format(items);
    case 'commas':
      return items.join(', ');
    case 'semicolons':
      return items.join('; ');
    case 'points':
      return items.join(' · ');
    case 'then':
      return items.reduce((first, then) => say(message('common.firstThen', { first, then })));
    case 'to':
      return items.length === 2
        ? say(message('common.range', { from: items[0] ?? '', to: items[1] ?? '' }))
        : items.join(', ');
  }
}
