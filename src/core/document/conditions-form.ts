import { z } from 'zod';
import { type Conditions, IRRADIANCE_SOURCES, TEMPERATURE_SOURCES } from '../conditions';
import { figure, figureValue } from './figure';
import { READING_LIMITS } from './reading';
import { VISIT_TEXT } from './visit';

export const conditionsFormSchema = z.object({
	/** What the figures were worked out from, in words. */
	basis: z.string().max(VISIT_TEXT.basis).default(''),
	/** The sun has moved on since the entry before. */
	follows: z.boolean().default(false),
	/** Another plane is to be entered next. */
	another: z.boolean().default(false),
	/** Id of a field on whose plane they were measured; empty where nobody said. */
	fieldId: z.union([z.uuid(), z.literal('')]).default(''),
	irradiance: figure(READING_LIMITS.irradiance),
	irradianceDoubt: figure(READING_LIMITS.relativeIrradianceUncertaintyPct).default('3'),
	irradianceSource: z.enum(IRRADIANCE_SOURCES).default('sensor-in-plane'),
	cellTemperature: figure(READING_LIMITS.cellTemperature),
	temperatureDoubt: figure(READING_LIMITS.temperatureDoubt).default('2'),
	temperatureSource: z.enum(TEMPERATURE_SOURCES).default('probe-on-back')
});
export type ConditionsForm = z.infer<typeof conditionsFormSchema>;

export function conditionsOfForm(form: ConditionsForm): Conditions {
	return {
		irradiance: {
			value: figureValue(form.irradiance),
			relativeStandardUncertainty: figureValue(form.irradianceDoubt) / 100,
			source: form.irradianceSource
		},
		cellTemperature: {
			value: figureValue(form.cellTemperature),
			standardUncertainty: figureValue(form.temperatureDoubt),
			source: form.temperatureSource
		}
	};
}
