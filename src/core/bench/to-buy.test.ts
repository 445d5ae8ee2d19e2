import { describe, expect, it } from 'vitest';
import { NAMEPLATE } from '../../../tests/support/scenario';
import type { TestedModule } from './tested';
import { modulesToBuy, wordsToBuy } from './to-buy';

const module = (id: string, imp: number, vmp: number, model = ''): TestedModule => ({
	id,
	mark: id,
	model,
	labelWatts: NAMEPLATE.pmax,
	seriesFuse: 15,
	plate: { ...NAMEPLATE, imp, vmp, pmax: imp * vmp }
});

describe('modules to buy', () => {
	it('are as many as are missing, of the kind that most are of', () => {
		const taken = [
			module('1', 9, 34, 'Lintwhite 300'),
			module('2', 9.1, 33.8),
			module('3', 5.5, 36),
			module('4', 8.9, 34.2)
		];
		const buy = modulesToBuy(taken, 6);
		expect(buy).toMatchObject({
			count: 2,
			like: { model: 'Lintwhite 300', imp: 9.1, vmp: expect.closeTo(34, 6), here: 3 }
		});
		expect(wordsToBuy(buy)).toContain('9.1 A');
	});

	it('are none where there are enough, and of any one kind where nothing is here', () => {
		expect(modulesToBuy([module('1', 9, 34)], 1).count).toBe(0);
		expect(modulesToBuy([], 4)).toEqual({ count: 4, like: null });
	});
});
