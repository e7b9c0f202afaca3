import type { Contents } from '@rosefinch/core/records';

type Rules = typeof import('./ruleBook.ts');

let rules: Rules | null = null;

/**
 * Loads what every record has to be: nothing is stored before, and a first look at the bench need
 * not wait for it. To be awaited outside of a transaction, which would end meanwhile.
 */
export async function recordRules(): Promise<void> {
  rules ??= await import('./ruleBook.ts');
}

function loaded(): Rules {
  if (!rules) throw new Error('a record is checked before its rules are loaded');
  return rules;
}

/** See `checkRecord` of the records. @throws RecordError naming the field that is wrong */
export const checkRecord: Rules['checkRecord'] = (table, record) =>
  loaded().checkRecord(table, record);

/** See `checkSummary` of the records. */
export const checkSummary: Rules['checkSummary'] = (summary) => loaded().checkSummary(summary);

/** A backup of no more than what is given. */
export async function backupOf(contents: Partial<Contents>, at: Date): Promise<string> {
  await recordRules();
  const { noContents, writeBackup } = loaded();
  return writeBackup({ ...noContents(), ...contents }, at);
}
