/** The server: one serving process, or several behind one port. */
import 'reflect-metadata';
import cluster from 'node:cluster';
import pino from 'pino';
import { readConfig } from './config';
import { serve } from './serve';
import { serveTogether } from './serve-together';

const config = readConfig(process.env);
const log = pino({ level: config.logLevel, base: null, timestamp: pino.stdTimeFunctions.isoTime });
if (config.processes > 1 && cluster.isPrimary) serveTogether(config.processes, log);
else serve(config, log);
