import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import demo from '../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import networks from '../../tests/reference/data/networks.json';
import { MODULE_NOW, NAMEPLATE } from '../../tests/support/scenario';
import { BYPASS_DIODE, TYPICAL_BREAKDOWN, wholeString } from '$core/circuit';
import { NO_SETTINGS } from '$core/document';
import { COMMANDS, run } from './commands';

const { technology: _technology, sections: _substrings, pmax: _pmax, ...nameplate } = NAMEPLATE;
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
		const one = run(COMMANDS.fit!, nameplate);
		expect(one).toMatchObject({
			ok: true,
			value: { notes: [], seriesResistance: expect.closeTo(0.287079, 5) }
		});
		expect(run(COMMANDS.fit!, [nameplate, nameplate])).toEqual({
			ok: true,
			value: [(one as { value: unknown }).value, (one as { value: unknown }).value]
		});
		expect(
			run(COMMANDS.operate!, { plate: nameplate, irradiance: 1000, cellTemperature: 25 })
		).toMatchObject({
			value: {
				voc: expect.closeTo(40.58, 8),
				isc: expect.closeTo(10.78, 8),
				pmp: expect.closeTo(335.1465, 3)
			}
		});
		const assessed = run(COMMANDS.assess!, demo) as {
			ok: true;
			value: { causes: { members: { code: string }[] }[]; places: unknown[] };
		};
		expect(assessed.value.places).toHaveLength(16);
		const codes = assessed.value.causes.slice(0, 3).map(({ members: [first] }) => first!.code);
		expect(codes).toEqual(expect.arrayContaining(['module-missing', 'fuse-blown']));
	});

	it('solves circuits in the short form, one or many, and leaves other fields alone', () => {
		const [given] = networks.cases;
		const asked = { ...given, atVolts: [300] };
		const one = run(COMMANDS.circuit!, asked) as { ok: true; value: Record<string, unknown> };
		expect(Object.keys(one.value)).toEqual([
			'voc',
			'isc',
			'vmp',
			'imp',
			'pmp',
			'branchCurrentsAtOpenCircuit',
			'atVolts'
		]);
		expect(one.value.pmp).toBeCloseTo(given!.expect.pmp, 1);
		expect(run(COMMANDS.circuit!, [asked, asked])).toEqual({
			ok: true,
			value: [one.value, one.value]
		});
	});

	it('solves circuits in the full form with faults, parts and earth, and says what does not show', () => {
		const bus = {
			bypass: BYPASS_DIODE,
			breakdown: TYPICAL_BREAKDOWN,
			strings: [wholeString(MODULE_NOW, 12, 3, 0.4, 'A1')],
			load: {
				kind: 'tracker',
				window: { least: 100, most: 800 },
				ampsAtMost: null,
				wattsAtMost: null
			}
		};
		const place = { string: 'A1', joint: 3 };
		const answer = run(COMMANDS.circuit!, {
			bus,
			faults: [
				{ code: 'earth-fault', place, size: 100 },
				{ code: 'reading-wrong', place: {} }
			]
		}) as {
			ok: true;
			value: { operation: { earth: number }; parts: unknown[]; unchanged: string[] };
		};
		expect(answer.value.operation.earth).toBeGreaterThan(80);
		expect(answer.value.parts).toHaveLength(38);
		expect(answer.value.unchanged).toHaveLength(1);
		expect(
			run(COMMANDS.circuit!, { bus, faults: [{ code: 'module-open', place: { string: 'Z' } }] })
		).toMatchObject({ ok: false, problem: { where: 'faults.0' } });
		expect(run(COMMANDS.circuit!, { bus: { ...bus, strings: [] } })).toMatchObject({
			ok: false,
			problem: { where: 'bus.strings' }
		});
		expect(
			run(COMMANDS.circuit!, [{ ...networks.cases[0], substringsPerModule: 2 }])
		).toMatchObject({ ok: false, problem: { where: '0.strings.0.0.light' } });
	});

	it('gives light and heat by each route', () => {
		const answer = run(COMMANDS.conditions!, {
			sky: { at: '2026-06-21T12:10:00+00:00', latitude: 54, longitude: -3, tilt: 30, azimuth: 180 },
			control: { plate: nameplate, isc: 8, voc: 38 },
			back: { temperature: 40, irradiance: 800 },
			air: { temperature: 20, irradiance: 800, noct: 46, wind: 2 },
			shadow: { height: 10, length: 10 }
		});
		expect(answer).toMatchObject({
			value: {
				sky: { incidence: expect.closeTo(1, 0), total: expect.closeTo(1000, -2) },
				control: { irradiance: expect.closeTo(740, -1) },
				back: { cellTemperature: expect.closeTo(42.4, 9) },
				air: { byNoct: 46, byWind: expect.closeTo(40.7, 1) },
				shadow: { angle: expect.closeTo(45, 9) }
			}
		});
		expect(run(COMMANDS.conditions!, { sky: { at: '2026-06-21T12:10:00' } }).ok).toBe(false);
		expect(
			run(COMMANDS.conditions!, { control: { plate: nameplate, isc: 8, voc: 99 } })
		).toMatchObject({
			problem: { where: 'control' }
		});
	});

	it('checks the design of a record, a visit or a site, one or many', () => {
		const ofVisit = run(COMMANDS.check!, demo) as { ok: true; value: Record<string, unknown>[] };
		const fuse = ofVisit.value.find(({ code }) => code === 'string-fuse')!;
		expect(fuse).toMatchObject({
			verdict: 'fail',
			places: expect.arrayContaining([{ string: expect.any(String), label: 'A1' }]),
			required: expect.stringContaining('16.2 A'),
			found: expect.stringContaining('15 A'),
			clause: expect.stringContaining('62548')
		});
		expect(run(COMMANDS.check!, demo.record)).toEqual(ofVisit);
		expect(run(COMMANDS.check!, [demo, demo.record])).toEqual({
			ok: true,
			value: [ofVisit.value, ofVisit.value]
		});
		const site = {
			format: 'zembo-site',
			version: 3,
			site: demo.site,
			revisions: [
				{ id: demo.revision.id, number: 1, createdAt: demo.revision.createdAt, record: demo.record }
			],
			visits: [],
			benchmarks: [],
			watch: NO_SETTINGS
		};
		const ofSite = run(COMMANDS.check!, site);
		if (!ofSite.ok) throw new Error(JSON.stringify(ofSite.problem));
		expect(ofSite).toEqual(ofVisit);
		expect(run(COMMANDS.check!, { strings: 'none' })).toMatchObject({ ok: false });
	});

	it('rates cables by the NEC and by EN 50618, and says where no table does', () => {
		const nec = {
			profile: 'NEC',
			material: 'copper',
			size: '10 AWG',
			insulation: 75,
			ambient: 60,
			installation: 'raceway'
		};
		const iec = {
			profile: 'IEC',
			material: 'copper',
			size: 6,
			insulation: 120,
			ambient: 80,
			installation: 'free-air'
		};
		expect(run(COMMANDS.cable!, [nec, iec])).toMatchObject({
			value: [
				{
					ampacity: expect.closeTo(20.3, 6),
					ambientFactor: 0.58,
					groupingFactor: 1,
					limitedBy: 'insulation',
					maximumFuse: 25,
					resistancePerKm: expect.closeTo(3.35, 1),
					source: expect.stringContaining('310.16')
				},
				{ ampacity: expect.closeTo(58.8, 6), resistancePerKm: 3.39 }
			]
		});
		expect(run(COMMANDS.cable!, { ...iec, material: 'aluminium' })).toMatchObject({
			value: { ampacity: null, reason: expect.any(String) }
		});
		expect(run(COMMANDS.cable!, [nec, { ...nec, size: 'thick' }])).toMatchObject({
			ok: false,
			problem: { where: '1.size' }
		});
	});

	it('names the case and the value that is wrong', () => {
		expect(run(COMMANDS.fit!, [nameplate, { ...nameplate, vmp: 50 }])).toMatchObject({
			ok: false,
			problem: { what: 'Vmp must be below Voc.', where: '1.vmp' }
		});
		expect(run(COMMANDS.assess!, { format: 'zembo-visit', version: 9 })).toMatchObject({
			ok: false,
			problem: { where: 'version' }
		});
	});

	it('speaks JSON on its three streams', () => {
		const good = zembo(['fit'], JSON.stringify(nameplate));
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
