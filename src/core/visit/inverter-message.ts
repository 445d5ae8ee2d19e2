/** What an inverter's message means in general, whoever made it. */
export interface Meaning {
	readonly id: string;
	readonly title: string;
	readonly words: string;
	/** The right first test. */
	readonly firstTest: string;
	/** Where that test is made: a place of the visit's plan. */
	readonly leadsTo: 'earth' | 'insulation' | 'ac' | 'volts' | 'supply' | 'arc' | 'heat' | 'strings';
	readonly caution: string;
}

interface Pattern extends Meaning {
	readonly says: RegExp;
}

/**
 * General meanings by the words that messages are made of; no maker's codes. Common practice.
 */
const PATTERNS: readonly Pattern[] = [
	{
		id: 'earth-fault-fuse',
		says: /\bgfdi\b|(earth|ground)[\s-]*fault.*(fuse|interrupt)|fuse.*(earth|ground)/i,
		title: 'Earth-fault fuse open',
		words: 'The blown fuse is the message, not the fault: a conductor touches metal.',
		firstTest: 'Measure pole-to-earth voltage, string by string, then insulation resistance.',
		leadsTo: 'earth',
		caution:
			'Treat both poles and all metal as live to earth until measured. Do not replace the fuse before the earth fault is found.'
	},
	{
		id: 'insulation-low',
		says: /iso(lation|l)?\b|insulation|riso|leak(age)?|residual|(earth|ground)[\s-]*fault/i,
		title: 'Insulation low',
		words: 'A conductor leaks to earth, often only when wet.',
		firstTest:
			'Measure pole-to-earth voltage, then insulation resistance string by string, dry and wet.',
		leadsTo: 'insulation',
		caution: 'Frames and rails may be live. Read them before a hand goes on them.'
	},
	{
		id: 'arc-fault',
		says: /\barc|afci|afd\b/i,
		title: 'Arc fault',
		words: 'AFCI trip: a connection that opens under load.',
		firstTest: 'Inspect every connector of that string, infrared first, then insulation.',
		leadsTo: 'arc',
		caution: 'Never re-arm it before every connector of that string is inspected.'
	},
	{
		id: 'rapid-shutdown',
		says: /rapid|shut[\s-]*down|\brsd\b|rss\b|initiator/i,
		title: 'Rapid shutdown',
		words: 'The devices hold the strings down: no signal, or no supply of the transmitter.',
		firstTest: 'The transmitter’s supply from its breaker on, rung by rung; not the roof.',
		leadsTo: 'supply',
		caution:
			'A device does not prove dead. Devices × standby voltage is expected until the transmitter is powered.'
	},
	{
		id: 'no-ac',
		says: /no[\s-]*(grid|ac|utility|mains)|(grid|ac|utility|mains)[\s-]*(loss|lost|absent|missing|fail|fault|under|over|out)|island|frequency/i,
		title: 'No AC, or AC out of its window',
		words: 'Breaker, AC disconnect or the grid itself.',
		firstTest: 'Measure AC voltage at the inverter, its disconnect and its breaker, in this order.',
		leadsTo: 'ac',
		caution: 'AC terminals are live from the grid side with the inverter off.'
	},
	{
		id: 'dc-over-voltage',
		says: /(dc|pv|input|array)[\s-]*(over|high|ov)|over[\s-]*volt/i,
		title: 'DC over-voltage',
		words:
			'Voltage above the rating of its input: too many modules in series, or a cold bright morning.',
		firstTest:
			'Measure the open-circuit voltage of each string, count its modules, compare its voltage at the coldest with the input rating.',
		leadsTo: 'volts',
		caution:
			'Test equipment and switchgear may be rated below this voltage too: read their ratings first.'
	},
	{
		id: 'derating',
		says: /derat|temperature|over[\s-]*heat|too hot|fan|limit/i,
		title: 'Derating',
		words: 'Inverter derating: temperature, a fan, or a grid limit.',
		firstTest: 'Its temperature, fans and air; power against time of day.',
		leadsTo: 'heat',
		caution: 'Heat sinks burn.'
	},
	{
		id: 'low-dc',
		// A fault to earth or an arc on the DC side is no missing string.
		says: /^(?!.*(earth|ground|\biso|insul|leak|\barc)).*(dc|pv|input|array|string)\b.{0,16}\b(under|low|fail|fault|missing)|no[\s-]*(pv|dc|sun)|waiting.*(pv|dc|sun)/i,
		title: 'DC low or missing',
		words: 'A string, its fuse, its disconnect, or the devices behind the modules.',
		firstTest: 'Measure the open-circuit voltage of each string at the combiner, then the fuses.',
		leadsTo: 'strings',
		caution: '0 V at the end of an open string is not dead: its full voltage is across the break.'
	}
];

/** Meanings of a message, the likeliest first; none where no word of it is known. */
export function meaningsOf(text: string): readonly Meaning[] {
	if (text.trim() === '') return [];
	return PATTERNS.filter(({ says }) => says.test(text)).map(({ says: _, ...meaning }) => meaning);
}

/** A message as it is stored: which of several inverters displays it stands before it. */
export function joinMessage(inverter: string, message: string): string {
	const text = message.trim();
	return inverter === '' || text === '' ? text : `${inverter}: ${text}`;
}

/** A stored message taken apart. @param marks of the inverters of the record */
export function splitMessage(
	stored: string,
	marks: readonly string[]
): { readonly inverter: string | null; readonly message: string } {
	const inverter = marks.find((mark) => stored.startsWith(`${mark}: `)) ?? null;
	return { inverter, message: inverter === null ? stored : stored.slice(inverter.length + 2) };
}
