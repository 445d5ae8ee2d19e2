import { operate } from '../circuit';
import { TRACKER } from './configuration/answer';
import { build, type ConfigurationParts } from './configuration/elements';
import { branchesOf, modulesOf, withPart, type ArrayConfiguration } from './configuration/tree';
import type { TestedModule } from './tested';

/** A module that could stand in for a dead one. */
export interface Candidate {
	readonly module: TestedModule;
	/** Length and width, mm; null where unknown. */
	readonly size: { readonly length: number; readonly width: number } | null;
	/** Make of its connectors; null where unknown. */
	readonly connector: string | null;
}

/** What the dead one was, and what it hung on. */
export interface Vacancy {
	readonly mix: ArrayConfiguration;
	/** Id of its place. */
	readonly place: string;
	readonly size: Candidate['size'];
	readonly connector: string | null;
	/** Rating of the string fuse, A; null: none or unknown. */
	readonly fuse: number | null;
	/** The dead one as it was when it was sound. */
	readonly was: TestedModule;
}

/** A point in which a candidate is held against the vacancy. */
interface Point {
	readonly words: string;
	readonly fits: boolean | null;
}

export interface Substitute {
	readonly candidate: Candidate;
	/** With it in place of the dead one, W. */
	readonly power: number;
	/** Less than with the old one sound, W. */
	readonly cost: number;
	readonly points: readonly Point[];
	/** Nothing speaks against it. */
	readonly fits: boolean;
}

/** Shares by which current and volts may differ, and millimetres of a frame; judgement. */
const ALIKE = { amps: 0.05, volts: 0.1, frame: 15 };

/** Candidates for a dead module's place, best first: those that nothing speaks against, then by power. */
export function substitutesFor(
	{ mix, place, size, connector, fuse, was: dead }: Vacancy,
	candidates: readonly Candidate[],
	parts: ConfigurationParts
): Substitute[] {
	if (!modulesOf(mix).some(({ id }) => id === place)) return [];
	const power = (one: ArrayConfiguration, moduleOf: ConfigurationParts['moduleOf']) =>
		operate(build(one, { ...parts, moduleOf }).element, TRACKER).power;
	/** The mix with another in the dead one's place. */
	const withOther = (other: TestedModule) =>
		power(
			withPart(mix, place, (part) => ({ ...part, of: SUBSTITUTE }) as ArrayConfiguration)!,
			(id) => (id === SUBSTITUTE ? other : parts.moduleOf(id))
		);
	const whole = withOther(dead);
	const parallel = branchesOf(mix).length > 1;
	return candidates
		.map((candidate): Substitute => {
			const { module } = candidate;
			const now = withOther(module);
			const points = [
				currentPoint(dead, module),
				voltagePoint(dead, module, parallel),
				fusePoint(module, fuse),
				sizePoint(size, candidate.size),
				connectorPoint(connector, candidate.connector)
			];
			return {
				candidate,
				power: now,
				cost: whole - now,
				points,
				fits: points.every(({ fits }) => fits !== false)
			};
		})
		.sort((a, b) => Number(b.fits) - Number(a.fits) || b.power - a.power);
}

const SUBSTITUTE = 'substitute';

const signed = (share: number) => `${share > 0 ? '+' : ''}${(100 * share).toFixed(0)} %`;

function currentPoint({ plate: old }: TestedModule, { plate: nameplate }: TestedModule): Point {
	const more = nameplate.imp / old.imp - 1;
	return {
		words: `Imp ${nameplate.imp.toFixed(1)} A for ${old.imp.toFixed(1)} A (${signed(more)})${more < -ALIKE.amps ? ': it holds the string down' : more > ALIKE.amps ? ': its surplus is lost' : ''}`,
		fits: more >= -ALIKE.amps
	};
}

function voltagePoint(
	{ plate: old }: TestedModule,
	{ plate: nameplate }: TestedModule,
	parallel: boolean
): Point {
	const more = nameplate.vmp / old.vmp - 1;
	return {
		words: `Vmp ${nameplate.vmp.toFixed(1)} V for ${old.vmp.toFixed(1)} V (${signed(more)})${Math.abs(more) > ALIKE.volts && parallel ? ': the string voltage differs from its neighbours’' : ''}`,
		fits: !parallel || Math.abs(more) <= ALIKE.volts
	};
}

function fusePoint({ seriesFuse }: TestedModule, fuse: number | null): Point {
	if (fuse === null) return { words: 'no string fuse', fits: null };
	return seriesFuse === null
		? { words: 'maximum series fuse not known', fits: null }
		: { words: `bears a fuse of ${seriesFuse} A, ${fuse} A is in`, fits: fuse <= seriesFuse };
}

function sizePoint(old: Candidate['size'], size: Candidate['size']): Point {
	if (!old || !size) return { words: 'size not known', fits: null };
	const off = Math.max(Math.abs(size.length - old.length), Math.abs(size.width - old.width));
	return {
		words: `${size.length} x ${size.width} mm for ${old.length} x ${old.width} mm`,
		fits: off <= ALIKE.frame
	};
}

function connectorPoint(old: string | null, own: string | null): Point {
	if (!old || !own) return { words: 'make of the connectors not known', fits: null };
	return {
		words:
			own === old
				? `connectors of the same make, ${own}`
				: `connectors ${own} on ${old}: change both halves, never mix makes`,
		fits: own === old
	};
}
