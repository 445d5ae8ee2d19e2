import { HIDDEN, type HiddenVisit } from '../../demo/hidden';
import { truthOf } from '../../demo/readings';
import type { VisitDocument } from '$core/document';
import type { Scenario } from '$core/training';

/** A visit of the demo with the truth that was planted in it, for whoever answers the tests proposed. */
export function hiddenScenario(hidden: HiddenVisit, { record, visit }: VisitDocument): Scenario {
	const truth = truthOf(record, {
		...hidden,
		seed: 0,
		start: '2026-11-17T11:05:00Z',
		by: '',
		stated: hidden
	});
	return { seed: 0, record, visit, truth, mistakes: new Map(), exact: new Map() };
}

/** A visit of the demo by its name. */
export function hiddenVisit(name: keyof typeof HIDDEN): HiddenVisit {
	const hidden = HIDDEN[name];
	if (!hidden) throw new Error(`the demo hides nothing under ${name}`);
	return hidden;
}
