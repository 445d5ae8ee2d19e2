import { z } from 'zod';
import type { Meter, Visit } from '../visit';
import { figure, figureOrEmpty, figureValue } from './figure';
import { READING_LIMITS } from './reading';

const CATEGORIES = ['', '2', '3', '4'] as const;

export const metersFormSchema = z.object({
	voltsRating: figureOrEmpty(READING_LIMITS.testEquipmentVoltage),
	voltsCategory: z.enum(CATEGORIES).default(''),
	ampsRating: figureOrEmpty(READING_LIMITS.testEquipmentVoltage),
	ampsCategory: z.enum(CATEGORIES).default(''),
	voltsPct: figure(READING_LIMITS.meterPct),
	voltsCounts: figure(READING_LIMITS.meterCounts),
	voltsResolution: figure(READING_LIMITS.resolution),
	ampsPct: figure(READING_LIMITS.meterPct),
	ampsCounts: figure(READING_LIMITS.meterCounts),
	ampsResolution: figure(READING_LIMITS.resolution),
	/** The meters as stored when the form was filled, as JSON. */
	seen: z.string().max(2000)
});
export type MetersForm = z.infer<typeof metersFormSchema>;

export function metersOfForm(form: MetersForm): Visit['meters'] {
	return {
		volts: {
			pctOfReading: figureValue(form.voltsPct),
			counts: figureValue(form.voltsCounts),
			resolution: figureValue(form.voltsResolution),
			...ratingOf(form.voltsRating, form.voltsCategory)
		},
		amps: {
			pctOfReading: figureValue(form.ampsPct),
			counts: figureValue(form.ampsCounts),
			resolution: figureValue(form.ampsResolution),
			...ratingOf(form.ampsRating, form.ampsCategory)
		}
	};
}

function ratingOf(
	voltage: string,
	category: (typeof CATEGORIES)[number]
): Pick<Meter, 'ratedVolts' | 'category'> {
	return {
		ratedVolts: voltage.trim() === '' ? null : figureValue(voltage),
		category: category === '' ? null : (Number(category) as 2 | 3 | 4)
	};
}

export function formOfMeters(meters: Visit['meters']): MetersForm {
	const { volts: voltage, amps: current } = meters;
	const category = (meter: Meter) => String(meter.category ?? '') as (typeof CATEGORIES)[number];
	return {
		voltsRating: String(voltage.ratedVolts ?? ''),
		voltsCategory: category(voltage),
		ampsRating: String(current.ratedVolts ?? ''),
		ampsCategory: category(current),
		voltsPct: String(voltage.pctOfReading),
		voltsCounts: String(voltage.counts),
		voltsResolution: String(voltage.resolution),
		ampsPct: String(current.pctOfReading),
		ampsCounts: String(current.counts),
		ampsResolution: String(current.resolution),
		seen: JSON.stringify(meters)
	};
}
