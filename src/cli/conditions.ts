import { z } from 'zod';
import {
	clearSky,
	fromAirAndWind,
	fromBackProbe,
	fromNominal,
	fromReferenceModule,
	fromShadow,
	incidenceAngle,
	onPlane,
	sunPosition
} from '$core/conditions';
import { type Problem, problemOf } from '$core/document';
import { fitLabel } from '$core/module';
import { refuse, type Result, succeed } from '$core/units';
import { nameplateSchema } from './nameplate';

const celsius = z.number().min(-60).max(150);
const irradiance = z.number().positive().max(2000);

/** The routes to light and heat, by name; any number of them in one case. */
const schema = z.strictObject({
	sky: z
		.strictObject({
			/** With an offset. */
			at: z.iso.datetime({ offset: true }),
			latitude: z.number().min(-90).max(90),
			longitude: z.number().min(-180).max(180),
			altitude: z.number().min(-500).max(9000).optional(),
			tilt: z.number().min(0).max(180),
			azimuth: z.number().min(0).max(360)
		})
		.optional(),
	control: z.strictObject({ plate: nameplateSchema, isc: z.number(), voc: z.number() }).optional(),
	back: z.strictObject({ temperature: celsius, irradiance: irradiance }).optional(),
	air: z
		.strictObject({
			temperature: celsius,
			irradiance: irradiance,
			noct: celsius.optional(),
			wind: z.number().min(0).max(60).optional()
		})
		.optional(),
	shadow: z.strictObject({ height: z.number().positive(), length: z.number().min(0) }).optional()
});

/** `zembo conditions`: sun and clear sky, control module, probe, air, shadow. W/m2, degC, degrees. */
export function conditionsCommand(input: unknown): Result<unknown, Problem> {
	const parsed = schema.safeParse(input);
	if (!parsed.success) {
		return refuse({ ...problemOf(parsed.error), mend: 'Mend the value at this place.' });
	}
	const { sky, control, back, air, shadow } = parsed.data;
	const answer: Record<string, unknown> = {};
	if (sky) {
		const sun = sunPosition(Date.parse(sky.at), sky);
		answer.sky = {
			...sun,
			incidence: incidenceAngle(sun, sky),
			...onPlane(sun, sky, clearSky(sun))
		};
	}
	if (control) {
		const found = fromReferenceModule(fitLabel(control.plate), control.isc, control.voc);
		if (!found.ok) {
			return refuse({
				what: found.problem,
				where: 'control',
				mend: 'Read the control module again, or check its label.'
			});
		}
		answer.control = found.value;
	}
	if (back) answer.back = { cellTemperature: fromBackProbe(back.temperature, back.irradiance) };
	if (air) {
		const { temperature, irradiance, noct, wind } = air;
		answer.air = {
			...(noct !== undefined && { byNoct: fromNominal(temperature, irradiance, noct) }),
			...(wind !== undefined && { byWind: fromAirAndWind(temperature, irradiance, wind) })
		};
	}
	if (shadow) answer.shadow = fromShadow(shadow.height, shadow.length);
	return succeed(answer);
}
