// The form of a backup as JSON Schema, from the one definition of the records. A test says when it is not as the code has it.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { backupSchema } from '../core/src/records/schema.ts';

const file = join(import.meta.dirname, '../app/public/backup.schema.json');
writeFileSync(file, `${JSON.stringify(backupSchema(), null, 1)}\n`);
