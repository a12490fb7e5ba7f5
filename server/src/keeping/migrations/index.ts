import { FirstMigration1732406400000 } from './first-migration.js';
import { StudyMigration1764100000000 } from './study-migration.js';
import { KeepingMigration1764200000000 } from './keeping-migration.js';
import { BinMigration1764300000000 } from './bin-migration.js';

/** Every change of the tables, oldest first. */
export const migrations = [
  FirstMigration1732406400000,
  StudyMigration1764100000000,
  KeepingMigration1764200000000,
  BinMigration1764300000000,
];

/** The state of the tables that this program writes: how many migrations there are. */
export const schemaVersion = migrations.length;
