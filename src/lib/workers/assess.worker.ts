import { expose } from 'comlink';
import { assess } from '$core/trace/assess';

const core = { assess };
export type AssessWorker = typeof core;

expose(core);
