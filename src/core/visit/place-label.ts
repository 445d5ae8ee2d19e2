import type { ArrayRecord } from '../record';
import type { PartPoint, Place } from './place';

const POINT_WORDS: Readonly<Record<PartPoint, string>> = {
	line: 'line side',
	load: 'load side',
	positive: 'positive pole',
	negative: 'negative pole',
	'supply-breaker': 'supply breaker',
	'supply-disconnect': 'its AC disconnect',
	'low-voltage': 'low-voltage supply',
	lamp: 'lamp',
	signal: 'signal on the string',
	display: 'display',
	'earth-fuse': 'earth-fault fuse',
	window: 'state window'
};

/** A connector in words: "lead below module 1", "connector above module 4". */
function connectorWords(connector: number): string {
	return connector === 0 ? 'lead below module 1' : `connector above module ${connector}`;
}

/** A place in words: "A3", "A3, fuse +", "A3, module 4", "Q1, load side". */
export function placeWords(
	{ strings, parts }: Pick<ArrayRecord, 'strings' | 'parts'>,
	place: Place
): string {
	const label = (id: string) => strings.find((string) => string.id === id)?.label ?? '?';
	switch (place.kind) {
		case 'string':
			return label(place.string);
		case 'fuse':
			return `${label(place.string)}, fuse ${place.pole === 'positive' ? '+' : '−'}`;
		case 'module':
			return `${label(place.string)}, module ${place.module}${place.section === null ? '' : `, substring ${place.section}`}`;
		case 'stretch':
			return `${label(place.string)}, modules ${place.from + 1} to ${place.to}`;
		case 'joint':
			return `${label(place.string)}, ${connectorWords(place.joint)}`;
		case 'part':
			return `${parts.find(({ id }) => id === place.part)?.mark ?? '?'}, ${POINT_WORDS[place.point]}`;
		case 'array':
			return 'the array';
	}
}
