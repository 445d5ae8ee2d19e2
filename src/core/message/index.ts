export {
	type Message,
	type MessageOf,
	messagesOf,
	type MessageValue,
	type Nothing
} from './message';
