import { v7 as uuid } from 'uuid';
import { OWN_PROCEDURE, type Task } from '$core/isolation';

/** The demo's terminal. */
const TERMINAL = '019a8000-0000-7000-8000-000000000002';
/** Who visits it. */
const TECHNICIAN = 'Tamsin Orrell';
/** What its strings are read for: open, and live. */
const TASK: Task = 'open-live';

/**
 * A new visit at the demo's terminal as far as its first reading: conditions stand, and its technician
 * has answered for a procedure of their own. It is started as the screens would, by what they send; for
 * tests of what comes after. Those of the way there use `startsVisit` of a person.
 *
 * @param address of a server with the demo's data
 * @returns its id
 */
export async function visitAtTheTerminal(address: string): Promise<string> {
	const fill = async (path: string, fields: Record<string, string>): Promise<string> => {
		const answer = await fetch(address + path, {
			method: 'POST',
			headers: { accept: 'text/html', origin: address },
			body: new URLSearchParams(fields),
			redirect: 'manual'
		});
		const next = answer.headers.get('location');
		if (answer.status !== 303 || !next) throw new Error(`${path} answered ${answer.status}`);
		return next;
	};
	const plan = await fill(`/sites/${TERMINAL}?/visit`, { by: TECHNICIAN, reason: '' });
	const visit = plan.split('/')[2]!;
	const conditions = { irradiance: '838', cellTemperature: '41' };
	await fill(`/visits/${visit}/test-conditions?/conditions`, conditions);
	const answered = {
		id: uuid(),
		step: OWN_PROCEDURE,
		value: null,
		at: new Date().toISOString(),
		by: TECHNICIAN,
		supersedes: null,
		withdrawn: false
	};
	const settled = await fetch(`${address}/visits/${visit}/safety`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ task: TASK, entry: answered })
	});
	if (settled.status !== 201) throw new Error(`its procedure was answered by ${settled.status}`);
	return visit;
}
