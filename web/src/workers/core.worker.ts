import { expose } from 'comlink';
import { runner } from './runner.ts';

export type Runner = typeof runner;

expose(runner);
