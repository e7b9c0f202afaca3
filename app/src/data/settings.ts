/** What the teacher has set; one record. */
export interface Settings {
  readonly a4: number;
  readonly tolerance: number;
  readonly order: 'thickest first' | 'thinnest first';
  readonly wires: 'as you look down' | 'as the floor sees it';
  readonly keysOn: boolean;
  readonly practiceSound: boolean;
  readonly instrumentId: string | null;
}

export const DEFAULT_SETTINGS: Settings = {
  a4: 440,
  tolerance: 2,
  order: 'thickest first',
  wires: 'as you look down',
  keysOn: true,
  practiceSound: true,
  instrumentId: null,
};
