import type { IsolationMessages } from '$core/isolation';

/** Isolation in the words of IEC standards and the British trade. */
export const isolation = {
	'isolation.task.closed-covers': 'Inspect and clamp, covers closed',
	'isolation.task.open-live': 'Measure live, cover open',
	'isolation.task.dead': 'Work on dead parts',

	'isolation.limit.least': 'at least {limit, number, ::group-off} {unit}',
	'isolation.limit.most': 'at most {limit, number, ::group-off} {unit}',
	'isolation.source.practice': 'common practice',
	'isolation.source.zembo-default': '{limit, number, ::group-off} {unit}: Zembo default',
	'isolation.source.rating': 'rated for the highest voltage of the place or more; common practice',
	'isolation.source.test-prove-test': 'test, prove, test; common practice',
	'isolation.source.clamp-verified':
		'0 A counts only from a clamp meter just verified on a known current; common practice',
	'isolation.source.capacitors-unknown': '5 minutes where unknown; common practice',
	'isolation.source.device-label': 'device label',
	'isolation.source.standby': 'common practice; about 1 V per module in standby',
	'isolation.source.shutdown-2014': 'NEC 2014 690.12, 30 V within 10 s, clause not verified',
	'isolation.source.shutdown-2017-on':
		'NEC 2017 on, 690.12(B), 30 V outside the array within 30 s, clause not verified',
	'isolation.source.shutdown':
		'NEC {edition, number, ::group-off} 690.12(B), 30 V outside the array within 30 s, clause not verified',
	'isolation.source.display': 'inverter display',
	'isolation.source.battery':
		'polarity before closing; pre-charge by the manufacturer’s instructions',
	'isolation.source.cold-table':
		'rating: NEC Table 690.7(A), factor at −36 to −40 °C, clause not verified; the rest common practice',
	'isolation.source.dead':
		'common practice; {current, number} A and {voltage, number} V: Zembo default',
	'isolation.source.half-ampere': 'common practice; 0.5 A: Zembo default',

	'isolation.where.place': '{place}',
	'isolation.where.not-recorded': 'place not recorded',
	'isolation.where.combiners': '{combiners}',
	'isolation.where.clamp': 'clamp meter round one conductor',
	'isolation.where.inverter-terminals': 'at the inverter’s DC terminals, or its display',
	'isolation.where.trunk-cable': 'at the first drop of the trunk cable',

	'isolation.arrival.weather':
		'Confirm no lightning, high wind or wet. Fit ladder and fall protection.',
	'isolation.arrival.weather-caution':
		'Identify fragile roof and skylights. Set a fire watch where there is heat damage or broken glass.',
	'isolation.arrival.people':
		'Confirm two people or a call-in, who holds the locks, and the emergency shutdown',
	'isolation.arrival.rating-meter':
		'Read the DC rating of meter, leads and probes: CAT III or higher',
	'isolation.arrival.rating-clamp': 'Read the DC rating of the clamp meter: CAT III or higher',
	'isolation.arrival.rating-printed': 'Lowest DC rating printed on it',
	'isolation.arrival.rating-too-low':
		'Refused: up to {needed, number, ::group-off} V can be present here ({place}). Use test equipment rated for it.',
	'isolation.arrival.strings-not-recorded':
		'The strings and their nameplates are not recorded, so the required rating cannot be determined. Record them first.',
	'isolation.arrival.meter': 'Verify the meter on a known DC source, leads in V and COM',
	'isolation.known-source': 'Known source, as the meter displays it',
	'isolation.arrival.meter-failed':
		'The meter does not display the known voltage. Replace the leads, or the meter.',
	'isolation.arrival.clothes':
		'Put on insulating gloves with leather protectors, eye and arc protection. Remove jewellery.',
	'isolation.arrival.gloves':
		'Use gloves rated for at least {needed, number, ::group-off} V DC, and clothing by the site’s arc-flash assessment. A non-contact tester does not detect DC.',
	'isolation.arrival.gloves-unknown':
		'Use gloves rated for at least the highest voltage of the array, and clothing by the site’s arc-flash assessment. A non-contact tester does not detect DC.',
	'isolation.arrival.frame-dc': 'Measure frame-to-earth voltage, DC. Do not touch metal first.',
	'isolation.arrival.frame-ac': 'Measure frame-to-earth voltage, AC. Do not touch metal first.',
	'isolation.arrival.frame-dc-read': 'Frame or rail to earth, DC',
	'isolation.arrival.frame-ac-read': 'Frame or rail to earth, AC',
	'isolation.arrival.frame-live':
		'The metal is live. Do not touch it, do not climb. Find the earth fault first.',
	'isolation.clamp': 'Zero the clamp meter. Verify it on a known DC current.',
	'isolation.clamp-read': 'Known current, as the clamp meter displays it',
	'isolation.clamp-failed':
		'The clamp meter does not display the known current. Zero it away from conductors, or replace it.',

	'isolation.off.ac-disconnect': 'Switch AC isolator {mark} OFF. Fit lock and tag.',
	'isolation.off.pv-breaker': 'Switch PV breaker {mark} OFF. Fit lock and tag.',
	'isolation.off.branch-breaker': 'Switch branch breaker {mark} OFF. Fit lock and tag.',
	'isolation.off.dc-disconnect': 'Switch DC isolator {mark} OFF. Fit lock and tag.',
	'isolation.off.pv-disconnect': 'Switch PV isolator {mark} OFF. Fit lock and tag.',
	'isolation.off.battery-breaker': 'Switch battery breaker {mark} OFF. Fit lock and tag.',
	'isolation.off.loads': 'Switch loads OFF',
	'isolation.off.initiator': 'Switch the initiator OFF',
	'isolation.off.initiator-at': 'Switch the initiator OFF: {initiator}',
	'isolation.off.inverter': 'Stop {mark} at its own switch or menu',
	'isolation.no-current.before': 'Confirm no current in {string}',
	'isolation.no-current.after': 'Confirm no current in {string}, isolator open',
	'isolation.no-current.read': 'Current in one conductor of {string}',
	'isolation.shutdown': 'Measure string voltage at the inverter after {seconds, number} s',
	'isolation.shutdown.wait': 'Time allowed for the devices to shut down',
	'isolation.shutdown.read': 'Positive to negative, inverter side',
	'isolation.shutdown.failed':
		'A device has not shut down, and the limit set for firefighters is exceeded. Do not touch conductors on the roof. Find the failed device.',
	'isolation.shutdown.caution':
		'A device does not prove dead; a reading does. Module leads stay live behind each device.',
	'isolation.ac-power': 'Confirm no AC power on the display of {mark}',
	'isolation.ac-power.read': 'AC power on the display',
	'isolation.ac-power.failed':
		'The inverter still feeds the grid: wrong switch, or a second supply. Find it before going on.',
	'isolation.ac-power.caution': 'DC voltage rises to open-circuit voltage. This is expected.',
	'isolation.capacitors': 'Capacitors of {mark} discharge: {minutes, number} min',
	'isolation.dead.plus-minus':
		'Prove {mark} dead on its side of the open isolator: positive to negative',
	'isolation.dead.plus-earth':
		'Prove {mark} dead on its side of the open isolator: positive to earth',
	'isolation.dead.minus-earth':
		'Prove {mark} dead on its side of the open isolator: negative to earth',
	'isolation.dead.plus-minus-read': 'Positive to negative',
	'isolation.dead.plus-earth-read': 'Positive to earth',
	'isolation.dead.minus-earth-read': 'Negative to earth',
	'isolation.dead.failed':
		'Not dead: still charged, a welded contact, or a second source. Wait, measure again. Do not go on.',
	'isolation.meter-again': 'Verify the meter again on the known source',
	'isolation.meter-again.failed':
		'The meter failed meanwhile: its readings do not count. Prove dead again with another meter.',
	'isolation.fuses-out': 'Remove string fuses, both poles, one string at a time',
	'isolation.fuses-out.caution':
		'The string side of every fuse holder stays live in daylight. Remove a fuse only after no current was measured in it.',
	'isolation.standby': 'Confirm DC voltage below {limit, number} V on the display of {mark}',
	'isolation.standby-near':
		'Confirm DC voltage below {limit, number} V on the display of {mark}, about {near, number} V per string',
	'isolation.standby.read': 'DC voltage on the display',
	'isolation.standby.failed':
		'An optimiser still delivers its voltage. Wait longer. Do not open the isolator under load.',
	'isolation.branch-dead.line-line': 'Prove the AC branch dead at the roof: line to line',
	'isolation.branch-dead.line-neutral': 'Prove the AC branch dead at the roof: line to neutral',
	'isolation.branch-dead.line-earth': 'Prove the AC branch dead at the roof: line to earth',
	'isolation.branch-dead.line-line-read': 'Line to line',
	'isolation.branch-dead.line-neutral-read': 'Line to neutral',
	'isolation.branch-dead.line-earth-read': 'Line to earth',
	'isolation.branch-dead.failed':
		'The branch is live: another breaker feeds it. Find it before going on.',
	'isolation.connectors-off': 'Disconnect the unit’s AC connector, then its DC connectors',
	'isolation.battery.caution':
		'Battery terminals are always live. Use insulated tools. Keep covers on.',

	'isolation.on.polarity':
		'Fuses still out: confirm polarity and open-circuit voltage of every string',
	'isolation.on.fuses': 'Insert string fuses, DC isolator still open',
	'isolation.on.ac-disconnect': 'Remove lock and tag from AC isolator {mark}. Switch {mark} ON.',
	'isolation.on.pv-breaker': 'Remove lock and tag from PV breaker {mark}. Switch {mark} ON.',
	'isolation.on.dc-disconnect': 'Remove lock and tag from DC isolator {mark}. Switch {mark} ON.',
	'isolation.on.battery-breaker':
		'Confirm battery polarity. Remove lock and tag from battery breaker {mark}. Switch {mark} ON.',
	'isolation.on.battery-read': 'Battery at the breaker, positive to negative',
	'isolation.on.battery-reversed': 'Reversed or empty. Do not close the breaker.',
	'isolation.on.initiator': 'Switch the initiator ON. Confirm the transmitter is powered.',
	'isolation.on.initiator-caution':
		'Until the transmitter is powered each string reads devices × standby voltage. This is expected.',
	'isolation.on.loads': 'Switch loads ON',
	'isolation.on.connectors': 'Connect the unit’s DC connectors, then its AC connector',
	'isolation.on.inverter': 'Wait for {mark} to start. Record its power.',
	'isolation.on.inverter-wait':
		'An inverter checks the grid before it starts; some take five minutes.',
	'isolation.on.inverter-idle':
		'The inverter does not feed the grid. Read its message and enter it at the test plan.',
	'isolation.close.unread': '{string}: measure polarity and open-circuit voltage first.',
	'isolation.close.reversed':
		'{string} reads {voltage, number, ::group-off} V: reversed polarity. In parallel with other strings about twice Voc would be across its fuse.',
	'isolation.close.not-assessed': '{string}: {reason}',
	'isolation.close.failed':
		'{string}: open-circuit voltage failed. Repair it, or leave its fuses out.',
	'isolation.close.failed-by':
		'{string}: open-circuit voltage failed, {difference}. Repair it, or leave its fuses out.',

	'isolation.place.coldest': '{string} at {lowest, number} °C',
	'isolation.place.hard-frost':
		'{string} in hard frost, nameplate Voc × 1.25: the site’s lowest temperature is not recorded',
	'isolation.rating.meter':
		'The meter, its leads or probes are rated for {rated, number, ::group-off} V DC; up to {needed, number, ::group-off} V can be present here ({place}). Do not connect it: use test equipment rated for {needed, number, ::group-off} V or more.',
	'isolation.rating.clamp':
		'The clamp meter is rated for {rated, number, ::group-off} V DC; up to {needed, number, ::group-off} V can be present here ({place}). Do not connect it: use test equipment rated for {needed, number, ::group-off} V or more.',
	'isolation.category.meter':
		'The meter, its leads or probes are of CAT II. At an array CAT III is the minimum, at the service CAT IV (IEC 61010-2-030, clause not verified).',
	'isolation.category.clamp':
		'The clamp meter is of CAT II. At an array CAT III is the minimum, at the service CAT IV (IEC 61010-2-030, clause not verified).',

	'isolation.live.not-recorded': 'live; voltage not known, its modules are not recorded',
	'isolation.live.daylight': 'live in daylight, whatever is switched',
	'isolation.live.devices-off': 'devices off; module leads live behind them',
	'isolation.live.fuses-out': 'fuses out; not proved dead',
	'isolation.live.past-fuses': 'fed past the fuses',
	'isolation.live.by-strings': 'fed by the strings',
	'isolation.live.connected': 'connected to the strings',
	'isolation.live.proved': 'proved dead by a reading',
	'isolation.live.by-battery': 'fed by the battery',
	'isolation.live.charged': 'switched off; capacitors may be charged; not proved dead',

	'isolation.caution.common':
		'Work in pairs or with a call-in. Verify the meter on a known source before and after. The sun cannot be switched off: the string side of every fuse and all module leads stay live in daylight.',
	'isolation.caution.test-equipment':
		'Use meter, clamp meter, leads and probes rated for at least {voltage, number, ::group-off} V DC (string Voc × 1.25, hard frost) and CAT III. Put the leads in V and COM. Wear insulating gloves with leather protectors, eye and arc protection by the site’s assessment. A non-contact tester does not detect DC.',
	'isolation.caution.dead':
		'Prove dead before touching. Switch the isolator off, lock and tag it. Zero the clamp meter and verify it on a known DC current. Read at most {current, number} A in one conductor. Wait the capacitor time (5 minutes if unknown). Then read + to −, + to earth and − to earth, each at most {voltage, number} V. Current that remains with the isolator open is circulating: open nothing, wait for low light, call a specialist.',
	'isolation.caution.connector':
		'Never open a connector under load. 0 V at the end of an open string is not dead: the full string voltage is across the break, and each half may be live to earth. Touch neither side.',
	'isolation.caution.roof':
		'Use ladder and fall protection. Identify fragile roof and skylights. Stop for lightning, wind or wet. Measure frame-to-earth voltage before touching metal. Never spray live or broken glass.',
	'isolation.caution.reversed-string':
		'Treat this string as reversed until measured otherwise. Do not connect it: in parallel with other strings about twice Voc is across its fuse. If it is already connected, leave the DC switch closed until the current is below 0.5 A, unless the manufacturer states otherwise.',
	'isolation.caution.circulating':
		'Current that remains with the isolator open is circulating. Open no fuse, connector or switch. Wait for low light, measure again, call a specialist.',
	'isolation.caution.blown-fuse':
		'A blown string fuse usually indicates reverse current. Before replacing it, check polarity, open-circuit voltage, insulation resistance and shorted modules of that string.',
	'isolation.caution.open-string':
		'No voltage is not dead: somewhere on this string its full voltage is across a break.',
	'isolation.caution.earth-fault':
		'Treat both poles and all metal as live to earth until measured. Find the fault before replacing the earth-fault fuse.',
	'isolation.who-decides':
		'Local code, the manufacturer’s instructions and the licensed person decide. Zembo reports what was measured, never that a part may be touched.',
	'isolation.first':
		'Complete the steps of “Isolation” before opening a cover or connector. Open a connector only after no current was measured in it.',

	'isolation.exposure.closed-cover': 'covers closed',
	'isolation.exposure.open-cover-live': 'cover open, live',
	'isolation.exposure.open-cover-dead': 'cover open: prove dead first',
	'isolation.exposure.joint-dead': 'connector opened: confirm no current first',
	'isolation.exposure.roof': 'on the roof',

	'isolation.emergency.lock-off': 'Switch OFF and lock',
	'isolation.emergency.battery': 'Open the breaker; the terminals stay live',
	'isolation.emergency.initiator-not-recorded': 'Switch the initiator OFF (location not recorded)'
} as const satisfies Record<keyof IsolationMessages, string>;
