/** Words that come up on every screen, with what Zembo means by them. */
export const GLOSSARY = [
	['expected', 'what the meter should show here and now, by label, light, heat, age and cable'],
	[
		'band',
		'how far a reading may lie from the expected value and still say nothing: two standard uncertainties'
	],
	['fits, look, off', 'within the band; beyond it; so far beyond that chance does not explain it'],
	['no basis', 'nothing to compare with yet: conditions, a label or a switching state is missing'],
	['section', 'the part of a module that one bypass diode can short, nearly always a third'],
	['siblings', 'strings alike in the same light at the same moment'],
	['open circuit', 'volts with nothing connected: tells missing modules and sections'],
	['running current', 'amps by the clamp while the inverter works: tells light, dirt and contacts'],
	['short circuit', 'amps with the leads joined, only through switchgear rated for it'],
	['insulation', 'ohms from the conductors to earth: tells water, chafed cable and earth faults'],
	['unknown', 'nobody has looked; it is not the same as none']
] as const;

/** Keys, and what they do, by where they work. */
export const SHORTCUTS = [
	[
		'everywhere',
		[
			['?', 'this help'],
			['F1', 'what a field asks for, while in it'],
			['Esc', 'close the help'],
			['Tab', 'next field or button; the first Tab leads past the head']
		]
	],
	[
		'Measure and Trace',
		[
			['Enter', 'store, and go to the next place'],
			['n or ↓, p or ↑', 'next and previous place, with an empty field'],
			['m', 'other quantity, with an empty field'],
			['Ctrl Z', 'take the last reading back'],
			['Esc', 'leave a question unanswered']
		]
	],
	['Record', [['Ctrl Z', 'undo the last change of the record']]],
	[
		'Map',
		[
			['arrows', 'go from cell to cell'],
			['Enter', 'choose, lay, or put down what is carried'],
			['M', 'carry the module'],
			['Delete', 'take it off the plan'],
			['Esc', 'stop carrying']
		]
	]
] as const satisfies readonly (readonly [string, readonly (readonly [string, string])[]])[];
