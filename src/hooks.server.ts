import {
	json,
	redirect,
	type Handle,
	type HandleServerError,
	type ServerInit
} from '@sveltejs/kit';
import { bodyError, drain, sizeWords, type BodyError } from '$lib/server/body-limits';
import { keepBackups } from '$lib/server/backup/schedule';
import { currentPath } from '$lib/server/earlier-addresses';
import { database, DATABASE_PATH } from '$lib/server/database';
import { databaseError } from '$lib/server/database/database-error';
import { answerInLane, stopLanes } from '$lib/server/lanes';
import { IMPORTS_LANE, OWN_LANE, TOLD_HEADER } from '$lib/server/lanes/relay';
import { toldOf } from '$lib/server/visit-events';
import { tidyImports } from '$lib/server/monitoring/imports';

const MODES = ['light', 'dark', 'sunlight'];

/** What the content security policy (svelte.config.js) does not cover. */
const SECURITY_HEADERS = {
	'x-content-type-options': 'nosniff',
	'x-frame-options': 'DENY',
	'referrer-policy': 'same-origin',
	'cross-origin-opener-policy': 'same-origin',
	'cross-origin-resource-policy': 'same-origin',
	'permissions-policy': 'camera=(self), geolocation=(), microphone=()'
};

/** Migrations run when the server starts, not at the first visitor; one that fails ends the start. What was left half imported goes. */
export const init: ServerInit = async () => {
	const db = await database();
	// Imports run in one lane, so what is unfinished when that starts was left by one that ended.
	if (OWN_LANE === null || OWN_LANE === IMPORTS_LANE) await tidyImports(db);
	if (OWN_LANE !== null) return;
	process.once('sveltekit:shutdown', keepBackups(db, DATABASE_PATH));
	process.once('sveltekit:shutdown', stopLanes);
};

export const handle: Handle = async ({ event, resolve }) => {
	const chosen = event.cookies.get('zembo-mode') ?? '';
	const mode = MODES.includes(chosen) ? chosen : 'light';
	const { request, route } = event;
	const now = route.id === null ? currentPath(event.url.pathname) : null;
	if (now) redirect(308, now + event.url.search);
	const tooLong = bodyError(route.id, request.headers);
	if (tooLong) return refuseBody(tooLong, request.body);
	// The framework takes this name for a fault of the program's own.
	if (event.url.searchParams.has('/default')) {
		return json({ message: 'There is no such form.' }, { status: 404 });
	}
	const { visit } = event.params;
	event.locals.told =
		OWN_LANE === null ? toldOf(visit ?? '') : Number(event.request.headers.get(TOLD_HEADER));
	const response =
		(OWN_LANE === null ? await answerInLane(event) : null) ??
		(await resolve(event, {
			transformPageChunk: ({ html }) => html.replace('%zembo.mode%', mode)
		}));
	for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.headers.set(name, value);
	return response;
};

/** The form of an import shows its own words where its file is too large (+page.server.ts). */
async function refuseBody(error: BodyError, body: Request['body']): Promise<Response> {
	await drain(body);
	const words =
		error.status === 411
			? 'The request does not say how long its body is.'
			: `The body has ${sizeWords(error.announced)}; at most ${sizeWords(error.most)} are taken here. Nothing was stored.`;
	return json({ words, message: words }, { status: error.status });
}

export const handleError: HandleServerError = ({ error, status, message }) => {
	if (status === 404) {
		return {
			message: 'There is no such page.',
			mend: 'The address may be mistyped, or what it named is not in this Zembo.'
		};
	}
	if (status === 413) {
		return { message: 'The upload is too large.', mend: 'Send it in smaller parts.' };
	}
	if (status < 500) return { message };
	console.error(error);
	const problem = databaseError(error);
	if (problem) return { ...problem };
	return {
		message: 'Zembo could not answer this request.',
		mend: 'What was stored before is untouched. Try again; if it stays, look at the server’s log.'
	};
};
