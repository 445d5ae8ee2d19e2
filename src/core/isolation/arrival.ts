import type { Visit } from '../visit';
import type { ArrayRecord } from '../record';
import { DEAD_VOLTAGE } from '../assessment';
import { highestColdVoltage, meterProblem } from './test-equipment';
import { PRACTICE, say } from './messages';
import type { SafetyStep } from './step';

type Plain = Pick<SafetyStep, 'key' | 'title'> & Partial<SafetyStep>;

/** A step with what most steps have not. */
export function step(phase: SafetyStep['phase'], given: Plain): SafetyStep {
	return {
		phase,
		where: null,
		part: null,
		proof: null,
		wait: null,
		effect: null,
		cautions: [],
		blocked: [],
		earlierKey: null,
		...given
	};
}

/** Volts above which a known source shows that a meter works, V. */
const KNOWN_SOURCE = 1;
/** Amps above which a known current shows that a clamp works, A. */
const KNOWN_CURRENT = 0.5;

/** The steps on arrival: weather and people, the rating of the test equipment, the meter, the rack. */
export function arrivalSteps(record: ArrayRecord, meters: Visit['meters']): SafetyStep[] {
	const most = highestColdVoltage(record);
	const needed = most ? Math.ceil(most.voltage) : null;
	const rating = (which: 'volts' | 'amps'): SafetyStep =>
		step('arrival', {
			key: `arrival/kit-${which}`,
			title: say(
				which === 'volts' ? 'isolation.arrival.rating-meter' : 'isolation.arrival.rating-clamp'
			),
			proof: {
				what: say('isolation.arrival.rating-printed'),
				unit: 'V',
				limit: { least: needed ?? 1 },
				source: say('isolation.source.rating'),
				beyond:
					most && needed !== null
						? say('isolation.arrival.rating-too-low', { needed, place: most.place })
						: say('isolation.arrival.strings-not-recorded')
			},
			blocked: most
				? [meterProblem(which, meters[which], most)].filter((problem) => problem !== null)
				: [say('isolation.arrival.strings-not-recorded')]
		});
	return [
		step('arrival', {
			key: 'arrival/weather',
			title: say('isolation.arrival.weather'),
			cautions: [{ text: say('isolation.arrival.weather-caution'), source: PRACTICE }]
		}),
		step('arrival', {
			key: 'arrival/people',
			title: say('isolation.arrival.people')
		}),
		rating('volts'),
		rating('amps'),
		step('arrival', {
			key: 'arrival/meter-proved',
			title: say('isolation.arrival.meter'),
			proof: {
				what: say('isolation.known-source'),
				unit: 'V',
				limit: { least: KNOWN_SOURCE },
				source: say('isolation.source.test-prove-test'),
				beyond: say('isolation.arrival.meter-failed')
			}
		}),
		step('arrival', {
			key: 'arrival/clothes',
			title: say('isolation.arrival.clothes'),
			cautions: [
				{
					text:
						needed === null
							? say('isolation.arrival.gloves-unknown')
							: say('isolation.arrival.gloves', { needed }),
					source: PRACTICE
				}
			]
		}),
		...(['dc', 'ac'] as const).map((current) =>
			step('arrival', {
				key: `arrival/rack-${current}`,
				earlierKey: 'arrival/rack',
				title: say(`isolation.arrival.frame-${current}`),
				proof: {
					what: say(`isolation.arrival.frame-${current}-read`),
					unit: 'V',
					limit: { most: DEAD_VOLTAGE },
					source: say('isolation.source.zembo-default', { limit: DEAD_VOLTAGE, unit: 'V' }),
					beyond: say('isolation.arrival.frame-live')
				}
			})
		)
	];
}

/** The clamp meter verified, without which a reading of 0 A means nothing. */
export function clampProved(phase: SafetyStep['phase'], key: string): SafetyStep {
	return step(phase, {
		key,
		title: say('isolation.clamp'),
		proof: {
			what: say('isolation.clamp-read'),
			unit: 'A',
			limit: { least: KNOWN_CURRENT },
			source: say('isolation.source.clamp-verified'),
			beyond: say('isolation.clamp-failed')
		}
	});
}
