/** Things of one kind that can be found. */
export interface FoundGroup {
  readonly group: string;
  readonly entries: readonly {
    readonly id: string;
    readonly label: string;
    readonly more?: string;
    readonly hotkey?: string;
    readonly act: () => void;
  }[];
}
