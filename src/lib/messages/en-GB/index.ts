import { screens } from './interface';
import { isolation } from './isolation';

/** Every message, in the words of IEC standards and the British trade. */
export const enGB = { ...isolation, ...screens };
