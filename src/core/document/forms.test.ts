import fc from 'fast-check';
import { testId } from '../../../tests/support/scenario';
import { describe, expect, it } from 'vitest';
import { arrayRecord, NAMEPLATE } from '../../../tests/support/scenario';
import { checkLabel } from '../module';
import { conditionsFormSchema, conditionsOfForm } from './conditions-form';
import { formOfModuleType, labelFormSchema, moduleTypeOfForm, nameplateOfForm } from './label-form';
import { expandLabels } from './label-list';
import { formOfMeters, metersFormSchema, metersOfForm } from './meters-form';
import { siteFormSchema } from './site-form';
import {
	EMPTY_STRING_FORM,
	formOfString,
	stringFieldsOfForm,
	type StringForm
} from './string-form';
import { USUAL_METERS } from '../visit';

const type = arrayRecord().moduleTypes[0]!;

describe('the form of a label', () => {
	it('shows what is stored and stores what is shown', () => {
		const form = formOfModuleType(type);
		expect(labelFormSchema.safeParse(form).success).toBe(true);
		expect(moduleTypeOfForm(type.id, form)).toEqual(type);
	});

	it('stores the same figure again where a coefficient was typed in another unit', () => {
		fc.assert(
			fc.property(
				fc.constantFrom('V/K' as const, 'mV/K' as const),
				fc.integer({ min: 20, max: 240 }),
				(betaUnit, tenths) => {
					const beta = betaUnit === 'V/K' ? -tenths / 1000 : -tenths;
					const typed = { ...formOfModuleType(type), beta: String(beta), betaUnit };
					const stored = moduleTypeOfForm(type.id, typed);
					expect(moduleTypeOfForm(type.id, formOfModuleType(stored))).toEqual(stored);
				}
			)
		);
	});

	it('reads a label with commas and coefficients in mV/K', () => {
		const form = labelFormSchema.parse({
			name: 'x',
			technology: 'poly',
			cellsInSeries: '60',
			sections: '3',
			pmax: '314',
			vmp: '30,21',
			imp: '10,39',
			voc: '37,47',
			isc: '11,12',
			alpha: '6,1',
			alphaUnit: 'mA/K',
			beta: '-120',
			betaUnit: 'mV/K',
			vocPct: '2',
			iscPct: '3'
		});
		expect(nameplateOfForm(form).betaVocPctPerK).toBeCloseTo(-0.3203, 3);
		expect(nameplateOfForm(form).alphaIscPctPerK).toBeCloseTo(0.0549, 3);
	});
	it('takes an empty coefficient as not stated, and shows it empty again', () => {
		const form = { ...formOfModuleType(type), alpha: '', beta: ' ' };
		expect(labelFormSchema.safeParse(form).success).toBe(true);
		const stored = moduleTypeOfForm(type.id, form);
		expect(stored.plate).toMatchObject({ alphaIscPctPerK: null, betaVocPctPerK: null });
		expect(formOfModuleType(stored)).toMatchObject({ alpha: '', beta: '' });
	});

	it('is checked while it is half typed, with what is there', () => {
		const empty = { ...formOfModuleType(type), pmax: '', imp: '', isc: '', cellsInSeries: '' };
		expect(checkLabel(nameplateOfForm(empty))).toEqual([]);
		const odd = { ...empty, voc: '30' };
		expect(checkLabel(nameplateOfForm(odd)).map(({ field }) => field)).toEqual(['vmp']);
		const letters = { ...empty, vmp: 'abc' };
		expect(checkLabel(nameplateOfForm(letters))).toEqual([]);
		expect(checkLabel({ ...NAMEPLATE, cellsInSeries: 120 })[0]!.field).toBe('cellsInSeries');
	});

	it.each(['pmax', 'vmp', 'imp', 'voc', 'isc', 'cellsInSeries', 'sections', 'vocPct'] as const)(
		'says what is wrong with %s, beside it',
		(field) => {
			for (const typed of ['', 'abc', 'NaN', '1e9', '453.2.1', '-3', '99999999']) {
				const result = labelFormSchema.safeParse({ ...formOfModuleType(type), [field]: typed });
				expect(result.success).toBe(false);
				expect(result.error!.issues.map(({ path }) => path[0])).toEqual([field]);
				expect(result.error!.issues[0]!.message.length).toBeGreaterThan(20);
			}
		}
	);
});

describe('the forms of a visit', () => {
	it('turn percent into shares and keep kelvin', () => {
		const form = {
			basis: '',
			follows: false,
			another: false,
			fieldId: '',
			irradiance: '838',
			irradianceDoubt: '3',
			irradianceSource: 'sensor-in-plane' as const,
			cellTemperature: '-4,5',
			temperatureDoubt: '2',
			temperatureSource: 'probe-on-back' as const
		};
		expect(conditionsFormSchema.safeParse(form).success).toBe(true);
		expect(conditionsOfForm(form)).toEqual({
			irradiance: { value: 838, relativeStandardUncertainty: 0.03, source: 'sensor-in-plane' },
			cellTemperature: { value: -4.5, standardUncertainty: 2, source: 'probe-on-back' }
		});
		for (const irradiance of ['0', '-100', '61200', '']) {
			expect(conditionsFormSchema.safeParse({ ...form, irradiance }).success).toBe(false);
		}
	});

	it('show the meters as they are stored', () => {
		const form = formOfMeters(USUAL_METERS);
		expect(metersFormSchema.safeParse(form).success).toBe(true);
		expect(metersOfForm(form)).toEqual(USUAL_METERS);
	});
});

describe('strings and sites', () => {
	it('tell no fuse from one of unknown rating, and both from one nobody looked at', () => {
		const fuse = (typed: Partial<StringForm>) =>
			stringFieldsOfForm({ ...EMPTY_STRING_FORM, moduleCount: '12', ...typed }).fuse;
		expect(fuse({ fuse: 'none', fuseRating: '15' })).toBeNull();
		expect(fuse({ fuse: 'unrated' })).toEqual({ rating: null });
		expect(fuse({ fuse: 'rated', fuseRating: '15' })).toEqual({ rating: 15 });
		expect(fuse({ fuse: 'unknown' })).toBe('unknown');
	});

	it('give back the form they were made from', () => {
		const form: StringForm = {
			...EMPTY_STRING_FORM,
			labels: 'A1',
			moduleTypeId: testId(1),
			moduleCount: '12',
			cableLength: '100',
			cableSize: '4',
			fuse: 'rated',
			fuseRating: '15',
			blockingDiode: 'schottky',
			devices: 'optimiser',
			modulesPerDevice: '2',
			connectors: 'Tidelock',
			input: '1'
		};
		const string = {
			id: testId(9),
			label: form.labels,
			modules: [],
			spans: [],
			...stringFieldsOfForm(form)
		};
		// 100 m of 4 mm2, there and back, at 40 degC: 5.09 ohm/km at 20 degC for PV cable, 4.3 for plain copper.
		expect(string.cableResistance).toBeCloseTo(0.2 * 5.09 * (1 + 0.00393 * 20), 2);
		expect(formOfString(string)).toEqual({ ...form, cableResistance: '1.1' });
		const plain = stringFieldsOfForm({ ...form, cableConductor: 'copper' });
		expect(plain.cableResistance).toBeCloseTo((200 * 0.0172 * (1 + 0.00393 * 20)) / 4, 2);
	});

	it('of a run count up, whatever letters they carry, and no run is endless', () => {
		expect(expandLabels('A1-A4, B1')).toEqual(['A1', 'A2', 'A3', 'A4', 'B1']);
		expect(expandLabels('7-9')).toEqual(['7', '8', '9']);
		expect(expandLabels('Süd1–Süd2')).toEqual(['Süd1', 'Süd2']);
		expect(expandLabels('A4-A1')).toEqual(['A4-A1']);
		expect(expandLabels('A1-A99999')).toEqual(['A1-A99999']);
		expect(expandLabels('  ')).toEqual([]);
	});

	it('refuse a time zone that is none, and a year that cannot be', () => {
		const site = { name: 'Cairn Rigg', place: '', timeZone: 'Etc/UTC', inServiceSince: '' };
		expect(siteFormSchema.safeParse(site).success).toBe(true);
		for (const wrong of [
			{ timeZone: 'Nowhere/Here' },
			{ inServiceSince: '1066' },
			{ name: '  ' }
		]) {
			expect(siteFormSchema.safeParse({ ...site, ...wrong }).success).toBe(false);
		}
	});
});
