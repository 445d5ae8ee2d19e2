import { type Message, type MessageOf, messagesOf, type Nothing } from '../message';

/** Where a defect is, by code. */
export interface InspectionMessages {
	'defect-place.part': { readonly part: Message; readonly mark: string };
	'defect-place.part-removed': Nothing;
	'defect-place.string': { readonly string: string };
	'defect-place.module': { readonly string: string; readonly module: number };
}

export type InspectionMessage = MessageOf<InspectionMessages>;

export const say = messagesOf<InspectionMessages>();
