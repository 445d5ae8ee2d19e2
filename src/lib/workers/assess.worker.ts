import { expose } from 'comlink';
import { assess, judge } from '$core/diagnosis/assess';

const core = { assess, judge };
export type AssessWorker = typeof core;

expose(core);
