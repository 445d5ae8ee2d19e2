/** What a page is for and what one needs there, in a sentence or two each. */
export interface StageHelp {
	readonly title: string;
	readonly purpose: string;
	readonly needs: string;
}

/** By the beginning of the page's route; the longest that fits holds. */
const STAGES: Readonly<Record<string, StageHelp>> = {
	'/': {
		title: 'Sites',
		purpose:
			'Every array that this Zembo knows, with its last visit. From here a site is opened, made new, or brought from another Zembo.',
		needs: 'Nothing. A file that Zembo exported (.json or .zip) can be imported.'
	},
	'/search': {
		title: 'Search',
		purpose:
			'Finds sites, parts, serials, visits, findings, repairs and causes by any of their words.',
		needs: 'A word or a part of one; all words must occur. The address keeps what was asked.'
	},
	'/library': {
		title: 'Library',
		purpose:
			'Types of modules, parts and meters that come up again, so that a label is typed once.',
		needs: 'The label or the data sheet of the thing.'
	},
	'/bench': {
		title: 'Bench',
		purpose:
			'For modules that are not on a roof: test a batch, grade it, group it into strings, and work out batteries, cables and worth.',
		needs:
			'A meter, a known good module beside, and steady sun for a batch; figures alone for the rest.'
	},
	'/training': {
		title: 'Training',
		purpose:
			'Arrays with something hidden in them, to be traced with a virtual meter while the clock runs. Nothing of it stands at a site.',
		needs: 'Nothing. A number gives the same exercise to everybody, so a class can compare.'
	},
	'/training/[level]/[number]': {
		title: 'Exercise',
		purpose:
			'Read what you would read, say what it is, and see what was hidden. Each reading takes the minutes it would take.',
		needs:
			'Measure voltage and current of every string first, then take the next test. Ask for verdicts and the next test when you need them.'
	},
	'/backup': {
		title: 'Backups',
		purpose: 'Copies of everything, each opened and checked after it was made.',
		needs: 'Room on the disk. A copy on another disk is yours to make.'
	},
	'/sites/new': {
		title: 'New site',
		purpose: 'Gives an array its name and place. Its parts are recorded after that.',
		needs: 'A name that people on the spot use.'
	},
	'/sites/[site]': {
		title: 'Site',
		purpose: 'The array as it was last found, its visits, and the way into a new one.',
		needs: 'Your name, and why you come.'
	},
	'/sites/[site]/survey': {
		title: 'Quick survey',
		purpose: 'A first record in two minutes, of what one sees from the ground.',
		needs: 'Rows and modules counted, and one module’s label if it can be read.'
	},
	'/sites/[site]/array-record': {
		title: 'Record',
		purpose:
			'What is there, part by part: every expected value is worked out from it. Unknown is an answer, and stands on the list to walk.',
		needs: 'The module’s label first; strings, fuses and devices as you reach them.'
	},
	'/sites/[site]/map': {
		title: 'Map',
		purpose:
			'Which module lies where and belongs to which string, in the colours that stand on the roof too.',
		needs: 'A walk along the rows. Modules can be laid by dragging, or by arrows, Enter and M.'
	},
	'/sites/[site]/diagram': {
		title: 'Diagram',
		purpose: 'The array in one line, drawn from the record; what is unknown says so.',
		needs: 'Strings and parts that say where each leads.'
	},
	'/sites/[site]/checks': {
		title: 'Design checks',
		purpose:
			'What the codes require of the array record before anything is measured: voltage, fuses, conductors, interconnection, protection.',
		needs:
			'Nameplates, ratings and temperatures. A check that lacks one is not assessed and names it.'
	},
	'/sites/[site]/monitoring': {
		title: 'Monitoring',
		purpose:
			'Reads monitoring exports and says which unit underperforms its peers, since when, and what of it is no fault.',
		needs: 'An export as CSV from the monitoring, of some weeks or more.'
	},
	'/sites/[site]/history': {
		title: 'History',
		purpose: 'What failed, what was done about it, and what failed again.',
		needs: 'Visits with a recorded repair.'
	},
	'/sites/[site]/revisions': {
		title: 'Revisions',
		purpose: 'Every state of the record, and in words what changed from one to the next.',
		needs: 'Nothing.'
	},
	'/visits/[visit]/inspection': {
		title: 'Inspection',
		purpose:
			'The walk with the eyes, in the order of the energy. What could not be seen is an answer too.',
		needs: 'A camera. No meter and no open cover, until a question says so.'
	},
	'/visits/[visit]/test-plan': {
		title: 'Test plan',
		purpose: 'What to measure where, so that each cover is opened once and the roof climbed once.',
		needs: 'Why you come, and what the inverter’s display says.'
	},
	'/visits/[visit]/isolation': {
		title: 'Isolation',
		purpose:
			'The way down and back on for this array, device by device, each step proved by a reading. It says what stays live.',
		needs: 'A meter and a clamp of the rating shown, lock and tags, and the person who may do it.'
	},
	'/visits/[visit]/test-conditions': {
		title: 'Test conditions',
		purpose:
			'Irradiance and cell temperature at the time of the readings. Every expected value depends on them, so each has its uncertainty.',
		needs: 'A sensor and a probe; or a known good module; or the strings themselves.'
	},
	'/visits/[visit]/measurements': {
		title: 'Measurements',
		purpose:
			'One figure after the other: number, Enter, next place. The verdict stands there before the next is typed.',
		needs: 'Conditions, a meter or clamp, and the switching state that the place names.'
	},
	'/visits/[visit]/comparison': {
		title: 'Comparison',
		purpose:
			'All strings beside each other, the one furthest off first. Comparable strings tell more than any sensor.',
		needs: 'Readings of two strings or more.'
	},
	'/visits/[visit]/diagnosis': {
		title: 'Diagnosis',
		purpose:
			'From a reading that failed to the part: which causes are still possible, and which test to take next.',
		needs: 'Readings that are off, and for some tests an open cover made safe first.'
	},
	'/visits/[visit]/repair': {
		title: 'Repair',
		purpose:
			'What was done about each cause, and the same readings again. A cause is closed by its readings.',
		needs: 'The part that went in, with its serial; then the meter again.'
	},
	'/visits/[visit]/report': {
		title: 'Report',
		purpose:
			'The report that a stranger can use, as page, PDF, HTML and archive, and one page in plain words for the owner.',
		needs: 'Nothing more: what was not done says so.'
	},
	'/visits/[visit]/strings/[string]': {
		title: 'What if',
		purpose:
			'One string’s curve with its readings on it. Put a shade or a fault anywhere and see what a meter would show: also for training.',
		needs: 'Test conditions, for the irradiance and cell temperature of the curve.'
	}
};

/** The help of a page by its route; of the nearest one above where it has none of its own. */
export function helpOf(route: string | null): StageHelp {
	const fits = Object.keys(STAGES)
		.filter((key) => key !== '/' && route !== null && `${route}/`.startsWith(`${key}/`))
		.sort((a, b) => b.length - a.length);
	return STAGES[fits[0] ?? '/']!;
}

/** Routes that have a help of their own. */
export const HELPED = Object.keys(STAGES);
