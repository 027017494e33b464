export { closeDatabase, database, openDatabase, Stopping, type Database } from './database';
export type * from './rows';
export type { Readable, Tx } from './tables';
export { whileUnchanged } from './unchanged';
export { databaseSentence } from './trouble';
