export { closeDatabase, database, openDatabase, type Database } from './database';
