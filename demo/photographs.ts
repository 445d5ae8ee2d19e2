import { idsOf } from './site';

const id = idsOf(0xff);

/** Drawn pictures that stand for photographs, by what they show; the files lie in photographs/. */
export const PHOTOGRAPHS = {
	connector: id(1),
	glass: id(2),
	infrared: id(3),
	label: id(4)
} as const;
