import { json } from '@sveltejs/kit';
import { progressOfJob } from '$lib/server/report/progress';
import type { RequestHandler } from './$types';

/** How far a report is that somebody waits for; null before it began and after it is done. */
export const GET: RequestHandler = ({ params }) =>
	json({ share: progressOfJob(params.job) }, { headers: { 'cache-control': 'no-store' } });
