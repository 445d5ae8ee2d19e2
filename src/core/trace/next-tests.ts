import {
	BLOWN_FUSE,
	cautionsFor,
	MAKE_SAFE_FIRST,
	OPEN_STRING,
	opensSomething,
	REVERSED_STRING,
	type Caution,
	type Exposure
} from '../rules/cautions';
import type { CauseCode } from '../faults/fault';

/** A test that would tell more, with its fixed cautions. */
export interface ProposedTest {
	readonly title: string;
	readonly how: string;
	readonly outcomes: string;
	readonly exposure: Exposure;
	/** What this version says where the test needs an opened cover or joint; null where it does not. */
	readonly makeSafeFirst: string | null;
	readonly cautions: readonly Caution[];
}

interface TestTemplate {
	readonly exposure: Exposure;
	readonly title: (place: string) => string;
	readonly how: string;
	readonly outcomes: string;
	readonly extra?: readonly Caution[];
}

const TAKE_AGAIN: TestTemplate = {
	exposure: 'open-cover-live',
	title: (place) => `Take ${place} again`,
	how: 'Same place, same state. Leads in V and COM, range DC, red on the positive lead; a clamp zeroed, round one conductor, arrow with the current.',
	outcomes:
		'Another figure: the first was wrong, and it is replaced. The same figure: the fault is in the array.'
};

const COUNT: TestTemplate = {
	exposure: 'closed-cover',
	title: (place) => `Count the modules of ${place}`,
	how: 'From the ground or from photographs, against the drawing. Leads that run past a module without joining it count as a module less.',
	outcomes:
		'Fewer than the record: the record is wrong and the string fits it once mended. All there: sections are lost inside.'
};

const SECTION_VOLTS: TestTemplate = {
	exposure: 'open-cover-live',
	title: (place) => `Volts of each section in the junction boxes of ${place}`,
	how: 'Under load, where the boxes can be opened. A shorted diode shows 0 V; an open section about -0.5 V with a hot diode. From outside, infrared first: the module with a section a little warmer (shorted diode) or as warm as an idle one (open section).',
	outcomes:
		'0 V: the diode is shorted. About -0.5 V: the section is open and its diode carries the current.'
};

const HALVE: TestTemplate = {
	exposure: 'joint-dead',
	title: (place) => `Halve ${place}`,
	how: 'Look first for heat marks and half-mated connectors along the string. Then part it at the middle connector and read the volts of each half; the half that gives none holds the break.',
	outcomes:
		'One half gives its share of the volts, the other none: go on with the dead half. Four to five halvings find one module in twelve.',
	extra: [OPEN_STRING]
};

const FUSE_RESISTANCE: TestTemplate = {
	exposure: 'open-cover-dead',
	title: (place) => `Resistance of the fuse of ${place}, out of its holder, each pole`,
	how: 'Isolate as your procedure says, draw the fuse with the circuit proved dead, read ohms across it. Volts across a fuse in place prove nothing while no current flows.',
	outcomes:
		'Open: the fuse is blown. Near 0 ohm: the fuse is whole, so the clamp, a blocking diode or the disconnect is to blame.',
	extra: [BLOWN_FUSE]
};

const CLAMP_AGAIN: TestTemplate = {
	exposure: 'closed-cover',
	title: (place) => `Clamp the current of ${place} again`,
	how: 'Zero the clamp, prove it on a string that carries current, then round one insulated conductor of this string.',
	outcomes:
		'Current like its siblings: the first reading was wrong. Still none: something in this string’s path is open.'
};

const POLARITY: TestTemplate = {
	exposure: 'open-cover-live',
	title: (place) => `Polarity of ${place} at the combiner, with proved leads`,
	how: 'Prove on a string known to be right that red on positive reads plus. Then the same two terminals of this string.',
	outcomes: 'Plus: the meter’s leads were swapped before. Minus: the string’s leads are swapped.',
	extra: [REVERSED_STRING]
};

const MODULE_POLARITY: TestTemplate = {
	exposure: 'joint-dead',
	title: (place) => `Follow the leads of ${place} from module to module`,
	how: 'By eye first: a module whose leads cross, or whose label stands the other way up. Then polarity at the two connectors of the suspect module.',
	outcomes:
		'Plus where its neighbours have minus: that module is turned round. All alike: two modules are missing, count them.'
};

const CLEAN_ONE: TestTemplate = {
	exposure: 'roof',
	title: (place) => `Clean one module of ${place} and compare`,
	how: 'Look first for a shadow, leaves, droppings or a broken cell. Clean one reachable module as its maker allows, then clamp the string again in the same light.',
	outcomes:
		'Current rises: dirt. No change: shade, an aged module or resistance; the next test looks for heat.'
};

const INFRARED: TestTemplate = {
	exposure: 'roof',
	title: (place) => `Infrared along the connectors of ${place}, under load`,
	how: 'At steady sun and full current, from a place of your own footing. A resistive joint is hotter than its neighbours.',
	outcomes:
		'A hot joint: isolate, then replace both halves. None: clamp at short circuit through rated switchgear; dirt lowers it, resistance does not.'
};

const REPEAT_CONDITIONS: TestTemplate = {
	exposure: 'closed-cover',
	title: () => 'Take irradiance and cell temperature again',
	how: 'Sensor clean and in the plane of the modules, probe in the middle of a module’s back, both before and after the next readings; or a known good module beside the array.',
	outcomes:
		'Other conditions: every verdict is worked out anew. The same: dirt on all, or the record of the modules.'
};

const TESTS: Readonly<Record<CauseCode, readonly TestTemplate[]>> = {
	healthy: [],
	'bypass-diode-shorted': [SECTION_VOLTS],
	'section-open': [SECTION_VOLTS],
	'module-missing': [COUNT],
	'module-open': [HALVE],
	'connector-open': [HALVE],
	'fuse-blown': [CLAMP_AGAIN, FUSE_RESISTANCE],
	'module-reversed': [COUNT, MODULE_POLARITY],
	'connector-reversed': [POLARITY],
	soiling: [CLEAN_ONE],
	'connector-resistive': [INFRARED],
	'reading-wrong': [TAKE_AGAIN],
	'conditions-wrong': [REPEAT_CONDITIONS]
};

/**
 * The tests that settle a set of causes, least exposure first. Until making safe is part of Zembo,
 * a test behind a cover or in a joint says that it is not led through.
 *
 * @param place the string or reading in words, for the titles
 * @param coldVolts the most the place can show, V
 * @param standing cautions that hold for whatever is done at this place
 */
export function testsFor(
	codes: readonly CauseCode[],
	place: string,
	coldVolts: number,
	standing: readonly Caution[] = []
): ProposedTest[] {
	// The clamp that showed 0 is taken again as a test of the fuse's line; once is enough.
	const asked = codes.includes('fuse-blown')
		? codes.filter((code) => code !== 'reading-wrong')
		: codes;
	const templates = [...new Set(asked.flatMap((code) => TESTS[code]))];
	const rank: readonly Exposure[] = [
		'closed-cover',
		'open-cover-live',
		'roof',
		'open-cover-dead',
		'joint-dead'
	];
	return templates
		.sort((a, b) => rank.indexOf(a.exposure) - rank.indexOf(b.exposure))
		.map(({ exposure, title, how, outcomes, extra = [] }) => ({
			title: title(place),
			how,
			outcomes,
			exposure,
			makeSafeFirst: opensSomething(exposure) ? MAKE_SAFE_FIRST : null,
			cautions: [...new Set([...standing, ...extra, ...cautionsFor(exposure, coldVolts)])]
		}));
}
