import { resolve } from 'node:path';
import Joi from 'joi';

/** Where the server listens and keeps its data. */
export interface Config {
  host: string;
  port: number;
  /** Other names under which it may be asked. */
  names: string[];
  /** Folder of the database. */
  data: string;
  /** Folder of the built web app. */
  web: string;
  /** Folder of the built server: its threads run files of it. */
  built: string;
}

/** A fault of the surroundings, told in one line; the program then ends. */
export class StartError extends Error {
  override readonly name = 'StartError';
}

const environment = Joi.object({
  HOST: Joi.alternatives(Joi.string().hostname(), Joi.string().ip()).default('127.0.0.1'),
  PORT: Joi.number().port().default(4310),
  YUREI_NAMES: Joi.string()
    .pattern(/^[A-Za-z0-9.:-]+(,[A-Za-z0-9.:-]+)*$/, 'names with commas between')
    .default(''),
  YUREI_DATA: Joi.string().default('data'),
}).unknown();

/**
 * Reads the settings from the environment.
 *
 * @param root workspace folder, for relative paths
 * @throws StartError naming the variable that makes no sense
 */
export function readConfig(env: NodeJS.ProcessEnv, root: string): Config {
  const { error, value } = environment.validate(env);
  if (error) throw new StartError(`Setting ${error.message}. Correct it and start again.`);
  return {
    host: value.HOST as string,
    port: value.PORT as number,
    names: (value.YUREI_NAMES as string).split(',').filter(Boolean),
    data: resolve(root, value.YUREI_DATA as string),
    web: resolve(root, 'web/dist/web/browser'),
    built: resolve(root, 'server/dist'),
  };
}
