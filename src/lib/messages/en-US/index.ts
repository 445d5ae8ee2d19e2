import { enGB } from '../en-GB';
import { screens } from './interface';
import { isolation } from './isolation';
import { record } from './record';
import { visit } from './visit';

/** Every message, in the words of the NEC and the American trade; what is not listed is the same. */
export const enUS = { ...enGB, ...isolation, ...record, ...visit, ...screens };
