import {
	type Place,
	placeKey,
	type Quantity,
	type Reading,
	stringKey,
	stringOfPlace
} from '../visit';
import { type ArrayRecord, isAcBranch, partsOnward } from '../record';
import { currentEntries, type InspectionEntry, type InspectionPlace } from '../inspection';

/** Why a test is not to be done now. */
export type WithheldBecause =
	/** Glass is broken: water makes cells and frame live. */
	| 'broken-glass'
	/** Live parts or insulation are damaged, an immediate defect. */
	| 'damaged-equipment'
	/** A wet test comes after the dry ones, which show a leak without water. */
	| 'dry-tests-first'
	/** Insulation resistance of the isolated string comes before a damaged connector is opened. */
	| 'insulation-first';

/** A test that is not proposed, and why. */
export interface WithheldTest {
	readonly quantity: Quantity;
	readonly place: Place;
	readonly because: WithheldBecause;
	/** Where the finding is; null for the order of tests, and for a finding without a place. */
	readonly finding: InspectionPlace | null;
}

/** Items of the inspection whose immediate defects forbid water. */
const NO_WATER = [
	'glass',
	'cells',
	'junction-boxes',
	'connectors',
	'cables-clear',
	'clips',
	'glands',
	'box-terminals',
	'rack-live'
];
/** Items whose immediate defects make opening a connector of that string dangerous. */
const DO_NOT_OPEN = ['junction-boxes', 'connectors', 'cells'];
/** Tests at a place on the roof that open nothing: looked at, by infrared, under load, or by a label. */
const OPENS_NOTHING: readonly Quantity[] = [
	'joint-rise',
	'cover-current',
	'label-power',
	'unit-power',
	'shade-seen',
	'module-count'
];

/** Whether a test opens a connector of its string. */
function opensConnector(quantity: Quantity, { kind }: Place): boolean {
	return (
		(kind === 'stretch' || kind === 'joint' || kind === 'module') &&
		!OPENS_NOTHING.includes(quantity)
	);
}

/** What the inspection and the order of tests forbid: asked by the test plan and by the diagnosis. */
export class Contraindications {
	private readonly findings: readonly InspectionEntry[];

	/** @param standing readings that stand, by key */
	constructor(
		private readonly record: ArrayRecord,
		inspection: readonly InspectionEntry[],
		private readonly standing: ReadonlyMap<string, Reading>
	) {
		this.findings = currentEntries(inspection).filter(({ outcome }) => outcome === 'finding');
	}

	/** Why a test is withheld; null where nothing forbids it. */
	against(quantity: Quantity, place: Place): WithheldTest | null {
		const withheld = (because: WithheldBecause, finding: InspectionPlace | null = null) => ({
			quantity,
			place,
			because,
			finding
		});
		if (quantity === 'insulation-wet') {
			const glass = this.findingAt(place, (entry) => itemOf(entry) === 'glass');
			if (glass) return withheld('broken-glass', glass.place);
			const damage = this.findingAt(
				place,
				(entry) => entry.severity === 'act-now' && NO_WATER.includes(itemOf(entry))
			);
			if (damage) return withheld('damaged-equipment', damage.place);
			return this.isReadDry(place) ? null : withheld('dry-tests-first');
		}
		if (quantity === 'cover-current') {
			const glass = this.findingAt(place, (entry) => itemOf(entry) === 'glass');
			return glass ? withheld('broken-glass', glass.place) : null;
		}
		if (opensConnector(quantity, place)) {
			const damage = this.findingAt(
				place,
				(entry) => entry.severity === 'act-now' && DO_NOT_OPEN.includes(itemOf(entry))
			);
			const string = stringOfPlace(place);
			const insulated =
				string !== null && this.standing.has(stringKey(string, 'insulation-resistance'));
			if (damage && !insulated) return withheld('insulation-first', damage.place);
		}
		return null;
	}

	/** A finding on the strings or at the module of a place. */
	private findingAt(
		place: Place,
		is: (entry: InspectionEntry) => boolean
	): InspectionEntry | undefined {
		const strings = this.stringsOf(place);
		return this.findings.find((entry) => {
			if (!is(entry)) return false;
			const found = this.stringsAt(entry.place);
			if (found.every((id) => !strings.includes(id))) return false;
			// A test at one module is forbidden by that module’s own glass.
			return place.kind === 'module' && entry.place?.kind === 'module' && itemOf(entry) === 'glass'
				? entry.place.module === place.module
				: true;
		});
	}

	private get allStrings(): readonly string[] {
		return this.record.strings.map(({ id }) => id);
	}

	private stringsOf(place: Place): readonly string[] {
		const string = stringOfPlace(place);
		if (string !== null) return [string];
		return place.kind === 'part' ? this.stringsThrough(place.part) : this.allStrings;
	}

	/** Strings that a finding is about; a finding without a place may be about any. */
	private stringsAt(place: InspectionPlace | null): readonly string[] {
		if (place === null) return this.allStrings;
		return place.kind === 'part' ? this.stringsThrough(place.partId) : [place.stringId];
	}

	private stringsThrough(part: string): readonly string[] {
		const own = this.record.strings.filter((string) =>
			partsOnward(this.record, string.to).some(({ id }) => id === part)
		);
		return own.length > 0 ? own.map(({ id }) => id) : this.allStrings;
	}

	/** Whether a place was read dry: its insulation, or both poles to earth of all its strings. */
	private isReadDry(place: Place): boolean {
		if (this.standing.has(placeKey(place, 'insulation-resistance'))) return true;
		const strings = this.record.strings.filter(
			(string) => !isAcBranch(string) && this.stringsOf(place).includes(string.id)
		);
		return (
			strings.length > 0 &&
			strings.every(({ id }) =>
				(['positive-to-earth', 'negative-to-earth'] as const).every((quantity) =>
					this.standing.has(stringKey(id, quantity))
				)
			)
		);
	}
}

/** The item of an answer; the key of a stop may name a part behind it. */
function itemOf({ stop }: InspectionEntry): string {
	return stop.split('/')[0]!;
}
