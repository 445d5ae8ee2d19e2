import { describe, expect, it } from 'vitest';
import type { Cause, CauseMember, Within } from '$core/diagnosis/cause';
import type { CauseCode, Spread } from '$core/faults';
import { probePoints, suspectSegment } from './suspect-segment';

const build = { modules: 12, substrings: 3, perDevice: 2 };
const within = (spread: Spread, ...at: number[]): Within => ({
	spread,
	at,
	likeliest: at[0]!,
	share: 1 / at.length,
	words: ''
});
const cause = (code: CauseCode, probability: number, where?: Within): Cause => {
	const member: CauseMember = {
		code,
		place: { string: 's', ...(where && { within: where }) },
		words: '',
		probability,
		severity: '',
		size: null
	};
	return {
		id: code,
		members: [member],
		probability,
		faulty: probability,
		stringId: 's',
		title: '',
		perhaps: null,
		where: null,
		reasons: [],
		borneOut: true,
		lookAlikes: null
	};
};

describe('the suspect stretch', () => {
	it('is the whole string while no reading tells the place, and narrows with it', () => {
		expect(suspectSegment([cause('module-open', 0.9)], build).span).toEqual([0, 12]);
		const half = within('module', 0, 1, 2, 3, 4, 5);
		expect(suspectSegment([cause('module-open', 0.9, half)], build).span).toEqual([0, 6]);
		const substring = within('section', 16);
		expect(suspectSegment([cause('section-open', 0.9, substring)], build).span).toEqual([5, 6]);
		const device = within('device', 2);
		expect(suspectSegment([cause('rsd-device-off', 0.9, device)], build).span).toEqual([4, 6]);
	});

	it('covers every cause that is worth drawing, and a joint with a little of both sides', () => {
		const both = [
			cause('module-open', 0.5, within('module', 2)),
			cause('connector-open', 0.4, within('joint', 7)),
			cause('shade', 0.01)
		];
		expect(suspectSegment(both, build).span).toEqual([2, 7.4]);
	});

	it('is at the fuse or beyond where the modules are not to blame', () => {
		expect(suspectSegment([cause('fuse-blown', 0.9)], build)).toEqual({
			span: null,
			fuse: true,
			beyond: false
		});
		expect(suspectSegment([cause('disconnect-open', 0.9)], build).beyond).toBe(true);
		expect(suspectSegment([cause('reading-wrong', 0.9)], build).span).toBeNull();
	});
});

describe('probes', () => {
	it('stand at the ends of what is read, and nowhere where one clamps or looks', () => {
		const segment = { kind: 'stretch', string: 's', from: 3, to: 9 } as const;
		expect(probePoints({ place: segment, quantity: 'stretch-voltage' }, 12)).toEqual([3, 9]);
		const string = { kind: 'string', string: 's' } as const;
		expect(probePoints({ place: string, quantity: 'open-circuit-voltage' }, 12)).toEqual([0, 12]);
		expect(probePoints({ place: string, quantity: 'operating-current' }, 12)).toBeNull();
		const module = { kind: 'module', string: 's', module: 4, section: 2 } as const;
		expect(probePoints({ place: module, quantity: 'section-voltage' }, 12)).toEqual([3, 4]);
		const connector = { kind: 'joint', string: 's', joint: 12 } as const;
		expect(probePoints({ place: connector, quantity: 'joint-rise' }, 12)).toEqual([11.7, 12]);
		const fuse = { kind: 'fuse', string: 's', pole: 'positive' } as const;
		expect(probePoints({ place: fuse, quantity: 'fuse-resistance' }, 12)).toBeNull();
	});
});
