import { screens } from './interface';
import { isolation } from './isolation';
import { record } from './record';
import { visit } from './visit';

/** Every message, in the words of IEC standards and the British trade. */
export const enGB = { ...isolation, ...record, ...visit, ...screens };
