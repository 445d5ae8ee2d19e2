/**
 * What a field asks for and where it is found, by the field's name: for somebody who holds such a label
 * or meter for the first time. Judgements and limits stand in the core; these are words alone.
 */
const EXPLANATIONS = {
	cellsInSeries:
		'Cells that one current runs through. A half-cut module of 120 cells has two groups side by side, so 60 in series.',
	sections:
		'Parts of the module that a bypass diode can short: as many as there are diodes in its junction box.',
	pmax: 'Power at standard conditions (1000 W/m², cells at 25 °C). On the label also Pmpp or rated power.',
	vmp: 'Voltage at maximum power under standard test conditions. Also Vmpp.',
	imp: 'Current at maximum power under standard test conditions. Also Impp.',
	voc: 'Open-circuit voltage under standard test conditions: the highest at that temperature.',
	isc: 'Short-circuit current under standard test conditions: the most it can feed into a fault.',
	alpha:
		'How Isc changes with temperature, in % or mA per kelvin; a small positive figure. Also TK(Isc). Empty where the label states none.',
	beta: 'How Voc changes with temperature, in % or mV per kelvin; negative, near -0.3 %. Also TK(Voc). Empty where the label states none.',
	vocPct: 'How far a module’s own Voc may lie from its label. Wider makes the bands wider.',
	iscPct: 'How far a module’s own Isc may lie from its label. Wider makes the bands wider.',
	systemVolts: 'The most that a string of such modules may reach on its coldest morning.',
	seriesFuse:
		'The largest fuse that may protect a string of such modules; it bounds reverse current.',
	irradiance:
		'Irradiance in the plane of the modules, not on level ground. In full sun near 1000 W/m²; below 600 W/m² tolerances grow wide.',
	irradianceUncertainty:
		'One standard uncertainty of the irradiance that is stated: about 5 % for a reference cell held in the plane by hand, more under moving clouds. It widens every result of the batch.',
	cellTemperature:
		'Of the cells inside the glass: in sun 20 to 35 K above the air. A probe on a module’s back reads 2 or 3 K too low.',
	moduleCount:
		'Counted on the roof, not taken from a drawing: one too many makes a healthy string fail.',
	cableResistance:
		'Of both ways together, without the modules’ own leads. 0.4 ohm where nobody knows.',
	cableLength: 'One way, from the string’s end to the combiner or inverter.',
	cableSize: 'Cross section of one conductor. On the jacket, as in 4 mm² or 12 AWG.',
	fuseRating: 'Printed on the fuse, in A. Enter “unknown” where the holder was not opened.',
	input:
		'Mark of the inverter’s input (its own tracker) that the string is connected to. Strings of one input share its voltage.',
	inServiceSince: 'Year in which the array was switched on: ageing is taken from it.',
	lowest: 'Lowest air temperature in daylight at this place: voltage is highest then.',
	hottestCell:
		'Highest cell temperature here: voltage is lowest then. Often air of the hottest day and 30 K.',
	tilt: 'From level: 0 lies flat, 90 stands upright.',
	azimuth: 'The way the glass faces, clockwise from north: east 90, south 180, west 270.',
	latitude: 'Degrees north of the equator; south is negative.',
	longitude: 'Degrees east of Greenwich; west is negative.',
	timeZone:
		'By its name in the tz database, as in Etc/UTC. Times are shown as this place’s clock shows them.',
	fullAmps: 'Current of a healthy string at that moment: a warm place is scaled to it.',
	difference:
		'How much warmer the place is than its like, in K, at the same moment and in the same picture.',
	price: 'Of one kWh, so that losses are told in money too.'
} as const;

/** Words for a field by its name; none where its label says all. */
export function explanationOf(name: string): string | null {
	return Object.hasOwn(EXPLANATIONS, name) ? EXPLANATIONS[name as keyof typeof EXPLANATIONS] : null;
}
