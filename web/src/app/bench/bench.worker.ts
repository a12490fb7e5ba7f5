import * as Comlink from 'comlink';
import { bench } from './bench-core';

Comlink.expose(bench);
