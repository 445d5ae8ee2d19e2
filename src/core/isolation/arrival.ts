import type { Visit } from '../visit';
import type { ArrayRecord } from '../record';
import { DEAD_VOLTS } from '../assessment';
import { highestColdVolts, meterProblem } from './test-equipment';
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
		...given
	};
}

/** Volts above which a known source shows that a meter works, V. */
const KNOWN_SOURCE = 1;
/** Amps above which a known current shows that a clamp works, A. */
const KNOWN_CURRENT = 0.5;

const EVERY_TIME = 'common practice';

/** The steps of arriving: weather and people, the test equipment against the cold volts, the meter, the rack. */
export function arrivalSteps(record: ArrayRecord, meters: Visit['meters']): SafetyStep[] {
	const most = highestColdVolts(record);
	const needed = most ? Math.ceil(most.volts) : null;
	const rating = (which: 'volts' | 'amps', title: string): SafetyStep =>
		step('arrival', {
			key: `arrival/kit-${which}`,
			title,
			proof: {
				words: 'The lowest DC rating printed on it',
				unit: 'V',
				limit: { least: needed ?? 1 },
				source: 'rating at or above the cold volts of the place; common practice',
				beyond: `Refused: up to ${needed} V can be present here (${most?.words ?? 'not known'}). Use test equipment rated for it.`
			},
			blocked: most
				? meterProblem(which, meters[which], most)
				: 'The strings and their nameplates are not recorded, so the required rating cannot be determined. Record them first.'
		});
	return [
		step('arrival', {
			key: 'arrival/weather',
			title: 'No lightning, storm or wet; ladder and fall protection in place',
			cautions: [
				{
					words:
						'Fragile roof and skylights known. Fire watch where there is heat damage or broken glass.',
					source: EVERY_TIME
				}
			]
		}),
		step('arrival', {
			key: 'arrival/people',
			title: 'Two people or a call-in; who holds the locks; emergency shutdown known'
		}),
		rating('volts', 'Meter, leads and probes: rating read, CAT III or higher'),
		rating('amps', 'Clamp: rating read, CAT III or higher'),
		step('arrival', {
			key: 'arrival/meter-proved',
			title: 'Meter proved on a known DC source, leads in V and COM',
			proof: {
				words: 'The known source, as the meter shows it',
				unit: 'V',
				limit: { least: KNOWN_SOURCE },
				source: 'test, prove, test; common practice',
				beyond: 'The meter does not show what is there. Take another, and leads that are whole.'
			}
		}),
		step('arrival', {
			key: 'arrival/clothes',
			title: 'Insulating gloves with leather protectors, eye and arc protection, jewellery off',
			cautions: [
				{
					words: `Gloves rated for at least ${needed ?? 'the cold volts'}${needed === null ? '' : ' V'} DC; clothing by the site’s arc-flash assessment. A non-contact tester does not see DC.`,
					source: EVERY_TIME
				}
			]
		}),
		step('arrival', {
			key: 'arrival/rack',
			title: 'Confirm rack and frames are not live, before touching them',
			proof: {
				words: 'Frame or rail to earth, DC and AC',
				unit: 'V',
				limit: { most: DEAD_VOLTS },
				source: `${DEAD_VOLTS} V is judgement`,
				beyond: 'The metal is live. Hands off; nobody climbs. Find the earth fault first.'
			}
		})
	];
}

/** The clamp shown to work, without which 0 A says nothing. */
export function clampProved(phase: SafetyStep['phase'], key: string): SafetyStep {
	return step(phase, {
		key,
		title: 'Clamp zeroed, then shown a known DC current',
		proof: {
			words: 'The known current, as the clamp shows it',
			unit: 'A',
			limit: { least: KNOWN_CURRENT },
			source: '0 A counts only from a clamp that has just shown a current; common practice',
			beyond: 'The clamp does not show it. Zero it away from conductors, or take another.'
		}
	});
}
