import type { Message } from '$core/message';
import type { enGB } from './en-GB';

/** Languages that have every message. */
export const LANGUAGES = ['en-GB', 'en-US'] as const;
export type Language = (typeof LANGUAGES)[number];

export type MessageCode = keyof typeof enGB;

/** A text for every code, in the ICU message format. */
export type Catalogue = Readonly<Record<MessageCode, string>>;

/** A message that every catalogue has a text for. */
export type KnownMessage = Message<MessageCode, unknown>;
