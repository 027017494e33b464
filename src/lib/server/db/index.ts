export { closeDatabase, database, openDatabase, type Database } from './database';
export { whileUnchanged } from './unchanged';
