import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import demo from '../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { PLATE } from '../../tests/support/scenario';
import { COMMANDS, run } from './commands';

const { technology: _technology, sections: _sections, pmax: _pmax, ...plate } = PLATE;
const main = fileURLToPath(new URL('../../build-tools/zembo.js', import.meta.url));
const zembo = (args: string[], input: string) => {
	const { stdout, stderr, status } = spawnSync(process.execPath, [main, ...args], {
		input,
		encoding: 'utf8'
	});
	return { stdout, stderr, status };
};

describe('zembo', () => {
	it('fits, operates and assesses one case or many', () => {
		const one = run(COMMANDS.fit!, plate);
		expect(one).toMatchObject({
			ok: true,
			value: { notes: [], seriesResistance: expect.closeTo(0.287079, 5) }
		});
		expect(run(COMMANDS.fit!, [plate, plate])).toEqual({
			ok: true,
			value: [(one as { value: unknown }).value, (one as { value: unknown }).value]
		});
		expect(run(COMMANDS.operate!, { plate, irradiance: 1000, cellTemperature: 25 })).toMatchObject({
			value: {
				voc: expect.closeTo(40.58, 8),
				isc: expect.closeTo(10.78, 8),
				pmp: expect.closeTo(335.1465, 3)
			}
		});
		const assessed = run(COMMANDS.assess!, demo) as {
			ok: true;
			value: { causes: { title: string }[]; places: unknown[] };
		};
		expect(assessed.value.places).toHaveLength(16);
		expect(assessed.value.causes.map((cause) => cause.title).join()).toMatch(
			/Fewer modules.*fuse blown/s
		);
	});

	it('names the case and the value that is wrong', () => {
		expect(run(COMMANDS.fit!, [plate, { ...plate, vmp: 50 }])).toMatchObject({
			ok: false,
			problem: { what: 'Vmp must be below Voc.', where: '1.vmp' }
		});
		expect(run(COMMANDS.assess!, { format: 'zembo-visit', version: 2 })).toMatchObject({
			ok: false,
			problem: { where: 'version' }
		});
	});

	it('speaks JSON on its three streams', () => {
		const good = zembo(['fit'], JSON.stringify(plate));
		expect(good.status).toBe(0);
		expect(good.stderr).toBe('');
		expect(JSON.parse(good.stdout)).toHaveProperty('modifiedIdeality');
		for (const bad of [
			zembo(['fit'], 'not json'),
			zembo(['fit'], '{}'),
			zembo(['sing'], '{}'),
			zembo([], '')
		]) {
			expect(bad.status).toBe(2);
			expect(bad.stdout).toBe('');
			expect(JSON.parse(bad.stderr).error).toMatchObject({
				what: expect.any(String),
				mend: expect.any(String)
			});
		}
	});
});
