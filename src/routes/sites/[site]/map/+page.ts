/** Drawn by the browser alone: a plan of thousands of modules would be drawn twice otherwise. */
export const ssr = false;
