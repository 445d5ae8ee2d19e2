import type { IsolationMessages } from '$core/isolation';

/** What the American trade and the NEC say in other words. */
export const isolation = {
	'isolation.task.dead': 'Work on de-energized parts',
	'isolation.source.test-prove-test': 'test, verify, test; common practice',
	'isolation.where.clamp': 'clamp meter around one conductor',
	'isolation.arrival.clothes':
		'Put on insulating gloves with leather protectors, eye and arc protection. Remove jewelry.',
	'isolation.arrival.frame-dc': 'Measure frame-to-ground voltage, DC. Do not touch metal first.',
	'isolation.arrival.frame-ac': 'Measure frame-to-ground voltage, AC. Do not touch metal first.',
	'isolation.arrival.frame-dc-read': 'Frame or rail to ground, DC',
	'isolation.arrival.frame-ac-read': 'Frame or rail to ground, AC',
	'isolation.arrival.frame-live':
		'The metal is live. Do not touch it, do not climb. Find the ground fault first.',
	'isolation.off.ac-disconnect': 'Switch AC disconnect {mark} OFF. Fit lock and tag.',
	'isolation.off.dc-disconnect': 'Switch DC disconnect {mark} OFF. Fit lock and tag.',
	'isolation.off.pv-disconnect': 'Switch PV disconnect {mark} OFF. Fit lock and tag.',
	'isolation.no-current.after': 'Confirm no current in {string}, disconnect open',
	'isolation.shutdown.caution':
		'A device does not verify absence of voltage; a reading does. Module leads stay live behind each device.',
	'isolation.dead.plus-minus':
		'Verify {mark} de-energized on its side of the open disconnect: positive to negative',
	'isolation.dead.plus-earth':
		'Verify {mark} de-energized on its side of the open disconnect: positive to ground',
	'isolation.dead.minus-earth':
		'Verify {mark} de-energized on its side of the open disconnect: negative to ground',
	'isolation.dead.plus-earth-read': 'Positive to ground',
	'isolation.dead.minus-earth-read': 'Negative to ground',
	'isolation.dead.failed':
		'Still energized: still charged, a welded contact, or a second source. Wait, measure again. Do not go on.',
	'isolation.meter-again.failed':
		'The meter failed meanwhile: its readings do not count. Verify absence of voltage again with another meter.',
	'isolation.standby.failed':
		'An optimizer still delivers its voltage. Wait longer. Do not open the disconnect under load.',
	'isolation.branch-dead.line-line': 'Verify the AC branch de-energized at the roof: line to line',
	'isolation.branch-dead.line-neutral':
		'Verify the AC branch de-energized at the roof: line to neutral',
	'isolation.branch-dead.line-earth':
		'Verify the AC branch de-energized at the roof: line to ground',
	'isolation.branch-dead.line-earth-read': 'Line to ground',
	'isolation.on.fuses': 'Insert string fuses, DC disconnect still open',
	'isolation.on.ac-disconnect': 'Remove lock and tag from AC disconnect {mark}. Switch {mark} ON.',
	'isolation.on.dc-disconnect': 'Remove lock and tag from DC disconnect {mark}. Switch {mark} ON.',
	'isolation.live.fuses-out': 'fuses out; not verified de-energized',
	'isolation.live.proved': 'verified de-energized by a reading',
	'isolation.live.charged': 'switched off; capacitors may be charged; not verified de-energized',
	'isolation.caution.dead':
		'Verify absence of voltage before touching. Switch the disconnect off, lock and tag it. Zero the clamp meter and verify it on a known DC current. Read at most {current, number} A in one conductor. Wait the capacitor time (5 minutes if unknown). Then read + to −, + to ground and − to ground, each at most {voltage, number} V. Current that remains with the disconnect open is circulating: open nothing, wait for low light, call a specialist.',
	'isolation.caution.connector':
		'Never open a connector under load. 0 V at the end of an open string is not de-energized: the full string voltage is across the break, and each half may be live to ground. Touch neither side.',
	'isolation.caution.roof':
		'Use ladder and fall protection. Identify fragile roof and skylights. Stop for lightning, wind or wet. Measure frame-to-ground voltage before touching metal. Never spray live or broken glass.',
	'isolation.caution.circulating':
		'Current that remains with the disconnect open is circulating. Open no fuse, connector or switch. Wait for low light, measure again, call a specialist.',
	'isolation.caution.open-string':
		'No voltage is not de-energized: somewhere on this string its full voltage is across a break.',
	'isolation.caution.earth-fault':
		'Treat both poles and all metal as live to ground until measured. Find the fault before replacing the ground-fault fuse (GFDI).',
	'isolation.exposure.open-cover-dead': 'cover open: verify absence of voltage first'
} as const satisfies Partial<Record<keyof IsolationMessages, string>>;
