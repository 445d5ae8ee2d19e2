import { expose } from 'comlink';
import { assess, judge } from '$core/diagnosis';

const core = { assess, judge };
export type AssessWorker = typeof core;

expose(core);
