/** Words that come up on every screen, with what Zembo means by them. */
export const GLOSSARY = [
	[
		'expected value',
		'what the meter should display here and now, from nameplate, irradiance, cell temperature, age and cable'
	],
	['tolerance', 'two standard uncertainties to either side of the expected value'],
	[
		'Pass, Marginal, Fail',
		'within tolerance; outside it; so far outside that chance does not explain it. Pass means within tolerance. It does not mean safe to touch.'
	],
	[
		'Not assessed',
		'nothing to compare with yet: test conditions, a nameplate or a switching state is missing'
	],
	[
		'bypass-diode substring',
		'the cells of a module behind one bypass diode, nearly always a third of it'
	],
	['comparable strings', 'strings of the same modules at the same irradiance and moment'],
	[
		'open-circuit voltage (Voc)',
		'voltage with nothing connected: shows missing modules and bypassed substrings'
	],
	[
		'operating current (Imp)',
		'clamp current while the inverter is running: shows soiling, shade and high-resistance connections'
	],
	[
		'short-circuit current (Isc)',
		'current with the leads joined, only through switchgear rated for it'
	],
	[
		'insulation resistance (Riso)',
		'resistance from the conductors to earth: shows moisture, damaged cable and earth faults'
	],
	['unknown', 'not recorded yet; it is not the same as none']
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
