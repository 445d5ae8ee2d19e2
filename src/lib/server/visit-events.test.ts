import { describe, expect, it } from 'vitest';
import type { VisitEvent } from '$core/document';
import { hearVisit, tellVisit, toldOf } from './visit-events';

describe('what is told of a visit', () => {
	it('is heard by whoever listens, and by nobody who stopped', () => {
		const heard: VisitEvent[] = [];
		const deaf = hearVisit('heard', toldOf('heard'), (event) => heard.push(event));
		tellVisit('heard', { kind: 'changed' });
		tellVisit('another', { kind: 'changed' });
		expect(heard).toEqual([{ kind: 'changed' }]);
		deaf();
		tellVisit('heard', { kind: 'changed' });
		expect(heard).toHaveLength(1);
	});

	it('between reading the visit and listening is not missed', () => {
		const since = toldOf('late');
		tellVisit('late', { kind: 'changed' });
		const heard: VisitEvent[] = [];
		hearVisit('late', since, (event) => heard.push(event))();
		expect(heard).toEqual([{ kind: 'changed' }]);
	});
});
