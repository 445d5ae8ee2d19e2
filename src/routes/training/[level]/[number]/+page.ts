import { error } from '@sveltejs/kit';
import { type Level, LEVELS } from '$core/training';
import type { PageLoad } from './$types';

/** An exercise is drawn once, where it is done: the server has others to answer. */
export const ssr = false;

export const load: PageLoad = ({ params }) => {
	const level = LEVELS.find((one): one is Level => one === params.level);
	if (!level || !/^[1-9]\d{0,5}$/.test(params.number)) {
		error(404, {
			message: 'There is no such exercise.',
			mend: 'Exercises have a level and a whole number from 1 to 999999: choose one on the page of practice.'
		});
	}
	return { level, number: Number(params.number) };
};
