import type { Settings } from '@rosefinch/core/records';

/**
 * Time, place and chance: the one file of the app that asks the browser for them. A test
 * gives its own before the page is opened, as `rosefinchGiven`.
 */
export interface Given {
  /** The moment at which the page is opened, ms since 1970. */
  readonly startsAt?: number;
  /** Sound comes as fast as it can be heard, and time goes with it. */
  readonly pace?: 'fast';
  /** A stand-in for the microphone: it hears what is fed to it. */
  readonly microphone?: { feed?: (samples: Float32Array<ArrayBuffer>) => void };
  /** A stand-in for the machine's voice. */
  readonly voice?: { say(text: string, over: () => unknown): boolean };
  /** Units and decimal sign; a test reads the same figures in every language. */
  readonly units?: Pick<Settings, 'decimal' | 'length' | 'force'>;
  /** Language of the page’s texts. */
  readonly language?: string;
  /** Seed of the practice instruments. */
  readonly seed?: number;
  /** The demo’s shelf begins without its year of sessions. */
  readonly demoYear?: 'none';
  /** Told by how many ms sound went ahead of the clock, so that it still holds after a reload. */
  readonly advanced?: (ms: number) => void;
  /** Told when a sound is on its way to be heard (1), was heard (−1), or that none is any more (0). */
  readonly onItsWay?: (change: 1 | -1 | 0) => void;
  /** Told when the records are begun to be read or written (1), and when that is over (−1). */
  readonly atRecords?: (change: 1 | -1) => void;
}

const given: Given = (globalThis as { rosefinchGiven?: Given }).rosefinchGiven ?? {};
/** This file, wherever it was put. */
const here = import.meta.url;

/**
 * Where the application lies on its server, with a slash at either end: scripts stand one folder below it.
 * Whatever a browser keeps by name carries it, so that two copies at one address do not meet.
 * @example base // => '/rosefinch/'
 */
export const base = here.startsWith('http') ? new URL('..', here).pathname : '/';

/** A name that no copy at another path has. @example ownName('rosefinch-open') // => 'rosefinch-open /music/' */
export function ownName(name: string): string {
  return base === '/' ? name : `${name} ${base}`;
}

let installer: (() => void) | null = null;

/** How the page is kept as a program of its own; null where the browser does not offer it, or it was done. */
export function setInstaller(install: (() => void) | null): void {
  installer = install;
}

export function installerNow(): (() => void) | null {
  return installer;
}

let hashes = false;

/** Views are named behind a #, because the server knows the one page alone. */
export function nameViewsByHash(are: boolean): void {
  hashes = are;
}

export function hashRoutes(): boolean {
  return hashes;
}

const opened = performance.now();
let ahead = 0;

/** The stand-in for the microphone, if there is one. */
export const { microphone: standIn = null } = given;

/** The stand-in for the machine's voice, if there is one. */
export const { voice: standInVoice = null } = given;

/** What a demo shelf begins with. */
export const demoYear: 'whole' | 'none' = given.demoYear ?? 'whole';

/** How fast sound comes. */
export const pace: 'real' | 'fast' = given.pace ?? 'real';

/** The time of day, ms since 1970. Where sound does not keep time, it goes with the sound alone. */
export function now(): number {
  const { startsAt } = given;
  if (startsAt === undefined) return Date.now();
  return Math.round(startsAt + (pace === 'fast' ? ahead : performance.now() - opened));
}

/** Sound that was heard faster than it lasts takes the time of day along; with `over` a movement was heard out. */
export function advance(ms: number, over: boolean): void {
  ahead += ms;
  given.advanced?.(ms);
  if (over) given.onItsWay?.(-1);
}

/** A movement of the practice hands is to be heard; or, with 0, all that was is forgotten. */
export function sounding(change: 1 | 0): void {
  given.onItsWay?.(change);
}

/** The records are at work (1), or that is over (−1). */
export function atRecords(change: 1 | -1): void {
  given.atRecords?.(change);
}

/** Milliseconds of a clock that never jumps, for what lasts. */
export function monotonic(): number {
  return performance.now();
}

/** Milliseconds that a hand feels without being startled: common practice, no source. */
const PULSE_MS = 60;

/** A short pulse in the hand, where the machine can give one. */
export function pulse(): void {
  navigator.vibrate?.(PULSE_MS);
}

/** The teacher's time zone, by its IANA name. */
export function zone(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone;
}

let datesAs = '';

/** Dates are written in the manner of this language from now on; empty as the browser has it. */
export function writeDatesAs(language: string): void {
  datesAs = language;
}

/** The reader's manner of writing dates, as BCP 47 has it. */
export function locale(): string {
  return datesAs || navigator.language;
}

/** The language of the page’s texts, as BCP 47 has it. */
export function language(): string {
  return given.language ?? (document.documentElement.lang || 'en');
}

/** Where lengths are told in inches and forces in pounds: common practice, no source. */
const INCHES: ReadonlySet<string> = new Set(['US', 'LR', 'MM']);

/** How numbers and units are written where the browser is at home. */
export function usualUnits(): Pick<Settings, 'decimal' | 'length' | 'force'> {
  if (given.units) return given.units;
  const parts = new Intl.NumberFormat(navigator.language).formatToParts(0.5);
  const decimal = parts.some(({ type, value }) => type === 'decimal' && value === ',') ? ',' : '.';
  const { region = '' } = new Intl.Locale(navigator.language).maximize();
  return INCHES.has(region)
    ? { decimal, length: 'inch', force: 'lbf' }
    : { decimal, length: 'mm', force: 'N' };
}

/** Names in the order in which people count: “Uke 2” before “Uke 10”. */
export function natural(): Intl.Collator {
  return new Intl.Collator(locale(), { numeric: true, sensitivity: 'base' });
}

/** A moment as the clock on the wall here shows it, to the minute. @example wallClock(at) // => '2026-03-10T09:20' */
export function wallClock(at: number): string {
  const ahead = 60_000 * new Date(at).getTimezoneOffset();
  return new Date(at - ahead).toISOString().slice(0, 'yyyy-mm-ddThh:mm'.length);
}

/** The day of a moment here, as ISO 8601 writes it. */
export function dayHere(at: number): string {
  return wallClock(at).slice(0, 'yyyy-mm-dd'.length);
}

/** Copies a text, to be pasted elsewhere. */
export function copy(text: string): Promise<void> {
  return navigator.clipboard.writeText(text);
}

/** The reader's own way of handing something on; null where the browser has none. */
export function shareSheet(): ((title: string, url: string) => Promise<void>) | null {
  return 'share' in navigator ? (title, url) => navigator.share({ title, url }) : null;
}

/** A name that nothing else has. */
export function newId(): string {
  return crypto.randomUUID();
}

/** A seed for a practice instrument. */
export function newSeed(): number {
  return given.seed ?? crypto.getRandomValues(new Uint32Array(1))[0]!;
}
