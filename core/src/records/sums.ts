import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { TABLE_NAMES, type TableName } from './shapes.ts';

/** What the last line of a backup says of one table: how many records it has, and the SHA-256 of their lines. */
export interface TableSum {
  readonly records: number;
  readonly sha256: string;
}

export type BackupSums = Readonly<Record<TableName, TableSum>>;

/** Counts and hashes (SHA-256, FIPS 180-4) the record lines of a backup, table by table, as they are written or read. */
export class SumsOfTables {
  private readonly tables = new Map(
    TABLE_NAMES.map((name) => [name, { records: 0, hash: sha256.create() }]),
  );

  /** @param line a record as it stands in the file, without the comma after it */
  add(table: TableName, line: string): void {
    const sum = this.tables.get(table);
    if (!sum) return;
    sum.records++;
    sum.hash.update(utf8ToBytes(`${line}\n`));
  }

  /** To be asked for once, after the last record. */
  end(): BackupSums {
    const sums = [...this.tables].map(([name, { records, hash }]) => [
      name,
      { records, sha256: bytesToHex(hash.digest()) },
    ]);
    return Object.fromEntries(sums) as BackupSums;
  }
}
