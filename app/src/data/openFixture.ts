import { Dexie } from 'dexie';
import { databaseName, RosefinchDatabase } from './database.ts';
import { Repository } from './repositories.ts';

/** An empty database with its repository, for a test; the test closes it. */
export async function openFresh() {
  await Dexie.delete(databaseName('own'));
  const db = new RosefinchDatabase('own');
  return { db, repository: new Repository(db, 'own') };
}
