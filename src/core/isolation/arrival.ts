import type { Visit } from '../visit';
import type { ArrayRecord } from '../record';
import { DEAD_VOLTAGE } from '../assessment';
import { highestColdVoltage, meterProblem } from './test-equipment';
import type { SafetyStep } from './step';

type Plain = Pick<SafetyStep, 'key' | 'title'> & Partial<SafetyStep>;

/** A step with what most steps have not. */
export function step(phase: SafetyStep['phase'], given: Plain): SafetyStep {
	return {
		phase,
		where: '',
		part: null,
		proof: null,
		wait: null,
		effect: null,
		cautions: [],
		blocked: null,
		earlierKey: null,
		...given
	};
}

/** Volts above which a known source shows that a meter works, V. */
const KNOWN_SOURCE = 1;
/** Amps above which a known current shows that a clamp works, A. */
const KNOWN_CURRENT = 0.5;

const EVERY_TIME = 'common practice';

/** The steps on arrival: weather and people, the rating of the test equipment, the meter, the rack. */
export function arrivalSteps(record: ArrayRecord, meters: Visit['meters']): SafetyStep[] {
	const most = highestColdVoltage(record);
	const needed = most ? Math.ceil(most.voltage) : null;
	const rating = (which: 'volts' | 'amps', title: string): SafetyStep =>
		step('arrival', {
			key: `arrival/kit-${which}`,
			title,
			proof: {
				words: 'Lowest DC rating printed on it',
				unit: 'V',
				limit: { least: needed ?? 1 },
				source: 'rated for the highest voltage of the place or more; common practice',
				beyond: `Refused: up to ${needed} V can be present here (${most?.words ?? 'not known'}). Use test equipment rated for it.`
			},
			blocked: most
				? meterProblem(which, meters[which], most)
				: 'The strings and their nameplates are not recorded, so the required rating cannot be determined. Record them first.'
		});
	return [
		step('arrival', {
			key: 'arrival/weather',
			title: 'Confirm no lightning, high wind or wet. Fit ladder and fall protection.',
			cautions: [
				{
					words:
						'Identify fragile roof and skylights. Set a fire watch where there is heat damage or broken glass.',
					source: EVERY_TIME
				}
			]
		}),
		step('arrival', {
			key: 'arrival/people',
			title: 'Confirm two people or a call-in, who holds the locks, and the emergency shutdown'
		}),
		rating('volts', 'Read the DC rating of meter, leads and probes: CAT III or higher'),
		rating('amps', 'Read the DC rating of the clamp meter: CAT III or higher'),
		step('arrival', {
			key: 'arrival/meter-proved',
			title: 'Verify the meter on a known DC source, leads in V and COM',
			proof: {
				words: 'Known source, as the meter displays it',
				unit: 'V',
				limit: { least: KNOWN_SOURCE },
				source: 'test, prove, test; common practice',
				beyond: 'The meter does not display the known voltage. Replace the leads, or the meter.'
			}
		}),
		step('arrival', {
			key: 'arrival/clothes',
			title:
				'Put on insulating gloves with leather protectors, eye and arc protection. Remove jewellery.',
			cautions: [
				{
					words: `Use gloves rated for at least ${needed === null ? 'the highest voltage of the array' : `${needed} V DC`}, and clothing by the site’s arc-flash assessment. A non-contact tester does not detect DC.`,
					source: EVERY_TIME
				}
			]
		}),
		...(['DC', 'AC'] as const).map((current) =>
			step('arrival', {
				key: `arrival/rack-${current.toLowerCase()}`,
				earlierKey: 'arrival/rack',
				title: `Measure frame-to-earth voltage, ${current}. Do not touch metal first.`,
				proof: {
					words: `Frame or rail to earth, ${current}`,
					unit: 'V',
					limit: { most: DEAD_VOLTAGE },
					source: `${DEAD_VOLTAGE} V: Zembo default`,
					beyond: 'The metal is live. Do not touch it, do not climb. Find the earth fault first.'
				}
			})
		)
	];
}

/** The clamp meter verified, without which a reading of 0 A means nothing. */
export function clampProved(phase: SafetyStep['phase'], key: string): SafetyStep {
	return step(phase, {
		key,
		title: 'Zero the clamp meter. Verify it on a known DC current.',
		proof: {
			words: 'Known current, as the clamp meter displays it',
			unit: 'A',
			limit: { least: KNOWN_CURRENT },
			source:
				'0 A counts only from a clamp meter just verified on a known current; common practice',
			beyond:
				'The clamp meter does not display the known current. Zero it away from conductors, or replace it.'
		}
	});
}
