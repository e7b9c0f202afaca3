import type { JsonSchema } from './shape.ts';
import { TABLE_NAMES, TABLES } from './shapes.ts';
import { SCHEMA } from './version.ts';

/** The form of a backup as JSON Schema (draft 2020-12), made from the one definition of the records. */
export function backupSchema(): JsonSchema {
  const tables = TABLE_NAMES.map((name) => [
    name,
    { type: 'array', items: TABLES[name].shape.json, description: `each one a record of ${name}` },
  ]);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Rosefinch backup, schema ${SCHEMA}`,
    description:
      'times in ms since 1970 (UTC), frequencies in Hz, deviations in cents, lengths in mm; a field that names a record of another table must name one that is there',
    type: 'object',
    properties: {
      format: { const: 'rosefinch-backup' },
      schema: { const: SCHEMA },
      exportedAt: { type: 'string' },
      ...Object.fromEntries(tables),
      check: {
        type: 'object',
        description:
          'what the file must hold: records of each table, and the SHA-256 of their lines (UTF-8, each ended by a line feed, without the comma)',
        properties: {
          exportedAt: { type: 'string' },
          tables: {
            type: 'object',
            additionalProperties: {
              type: 'object',
              properties: { records: { type: 'integer' }, sha256: { type: 'string' } },
              required: ['records', 'sha256'],
            },
          },
        },
        required: ['exportedAt', 'tables'],
      },
    },
    required: ['format', 'schema', 'exportedAt', ...TABLE_NAMES],
    additionalProperties: false,
  };
}
