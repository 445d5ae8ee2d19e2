import type { BatchModule } from './module-batch';
import { DANGEROUS_LOOKS, LOOK_WORDS } from './module-batch';

/** Something about a module that its share alone does not say. */
export interface Anomaly {
	readonly code:
		| 'reversed'
		| 'dead'
		| 'no-current'
		| 'no-volts'
		| 'section-gone'
		| 'current-low'
		| 'volts-low'
		| 'scatter'
		| 'danger';
	readonly words: string;
}

/** Shares that a module's figures have of what its label gives in this light and heat; null: not read. */
export interface Shares {
	readonly volts: number | null;
	readonly amps: number | null;
	readonly watts: number | null;
}

/** Shares below which something is not there at all, and within which it is as it should be; judgement. */
const NOTHING = 0.05;
const RIGHT_VOLTS = 0.94;
const LOW_AMPS = 0.8;
const SECTION = 0.06;
/** Takes of one module that differ by more than this share are not believed. */
const SCATTER = 0.05;

/**
 * What is odd about a module.
 *
 * @param sections of the module
 * @param spread of its takes, relative, the larger of volts and amps
 */
export function anomalies(
	{ volts, amps, watts }: Shares,
	sections: number,
	spread: number,
	{ looks }: Pick<BatchModule, 'looks'>
): Anomaly[] {
	const odd: Anomaly[] = [];
	const add = (code: Anomaly['code'], words: string) => odd.push({ code, words });
	const noVolts = volts !== null && Math.abs(volts) < NOTHING;
	const noAmps = amps !== null && Math.abs(amps) < NOTHING;
	const noWatts = watts !== null && watts < NOTHING;
	if (volts !== null && volts < -NOTHING) {
		add('reversed', 'Polarity reversed: the leads are marked wrong, or the meter’s were changed.');
	}
	if ((noVolts && (noAmps || amps === null)) || (volts === null && amps === null && noWatts)) {
		add('dead', 'Nothing at all: open inside, or its box. Look there before it is thrown away.');
	} else if (noVolts) {
		add('no-volts', 'Current but no volts: bridged, or all diodes shorted.');
	} else if (noAmps || noWatts) {
		add('no-current', 'Volts are there, no current: it opens under load.');
	}
	const lost = volts === null ? 0 : Math.round((1 - volts) * sections);
	const whole = volts !== null && !noVolts && volts > 0;
	if (whole && lost > 0 && lost < sections && Math.abs(volts - (1 - lost / sections)) < SECTION) {
		add(
			'section-gone',
			`${fraction(lost, sections)} of the volts gone: ${lost === 1 ? 'one section' : `${lost} sections`} by a shorted diode or a break.`
		);
	} else if (whole && volts < RIGHT_VOLTS) {
		add('volts-low', 'Volts low, but not by a whole section: hot cells, another type, or leakage.');
	}
	if (whole && volts >= RIGHT_VOLTS && amps !== null && !noAmps && amps < LOW_AMPS) {
		add('current-low', 'Volts right and amps low: browned, cracked, dirty or shaded cells.');
	}
	if (spread > SCATTER) {
		add('scatter', `Its takes differ by ${(100 * spread).toFixed(0)} %: take it again.`);
	}
	const danger = looks.filter((look) => DANGEROUS_LOOKS.includes(look));
	if (danger.length > 0) {
		add(
			'danger',
			`${danger.map((look) => LOOK_WORDS[look]).join(', ')}: it may still make power and still kill. Keep it apart; insulation dry and wet before anybody uses it.`
		);
	}
	return odd;
}

function fraction(lost: number, of: number): string {
	if (lost === 1 && of === 3) return 'A third';
	if (lost === 2 && of === 3) return 'Two thirds';
	return lost === 1 && of === 2 ? 'Half' : `${lost} of ${of}`;
}
