import { effectiveVisit, type Visit } from '$core/visit';
import { expose } from 'comlink';
import type { ArrayRecord } from '$core/record';
import { inputAtConditions, type InputAtConditions } from '$core/expectation';
import { study, type WhatIf } from '$core/faults';

/** The input that is asked about, worked out once for many questions. */
let here: InputAtConditions | null = null;

const core = {
	/** Takes a string of a visit for the questions that follow; the strings of its input, null without conditions. */
	take(record: ArrayRecord, visit: Visit, stringId: string): readonly string[] | null {
		here = inputAtConditions(record, effectiveVisit(record, visit), stringId);
		return here?.bus.strings.map(({ name }) => name) ?? null;
	},
	ask: (asked: WhatIf) => here && study(here.bus, here.subject, asked)
};
export type StudyWorker = typeof core;

expose(core);
