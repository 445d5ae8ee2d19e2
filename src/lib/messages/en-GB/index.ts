import { screens } from './interface';
import { isolation } from './isolation';
import { record } from './record';

/** Every message, in the words of IEC standards and the British trade. */
export const enGB = { ...isolation, ...record, ...screens };
