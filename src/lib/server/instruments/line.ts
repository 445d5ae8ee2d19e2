import { connect } from 'node:net';
import { refuse, type Result, succeed } from '$core/units';
import type { InstrumentAddress } from './address';

/** Why an instrument did not answer. */
export type InstrumentError =
	| { readonly state: 'gone'; readonly words: string }
	| { readonly state: 'silent'; readonly words: string }
	| { readonly state: 'dropped'; readonly words: string }
	| { readonly state: 'garbage'; readonly words: string };

/** The longest that one answer of an instrument is waited for, ms. */
export const PATIENCE = 4000;
/** The longest that a whole reading takes, ms: also one of an instrument that answers each question just in time. */
export const DEADLINE = 20_000;
/** Bytes of one answer; a longer one is none. */
const LONGEST_ANSWER = 4096;

export const ERRORS = {
	gone: ({ host, port }: InstrumentAddress): InstrumentError => ({
		state: 'gone',
		words: `Nothing listens at ${host}:${port}. Is the instrument on, on this network, and its remote control allowed?`
	}),
	silent: (): InstrumentError => ({
		state: 'silent',
		words: `The instrument did not answer within ${PATIENCE / 1000} s. Type the figure, or ask again.`
	}),
	dropped: (): InstrumentError => ({
		state: 'dropped',
		words: 'The instrument dropped the line. Look at its cable or network, then ask again.'
	}),
	// What it said is not shown: it may be another program, whose words are nobody's business.
	garbage: (): InstrumentError => ({
		state: 'garbage',
		words:
			'What answers there is not an instrument of this kind, or it gave no figure. Nothing was stored.'
	})
} as const;

/** A line to an instrument that answers each command with one line of text. */
export interface TextLine {
	ask(command: string): Promise<Result<string, InstrumentError>>;
	close(): void;
}

/** Opens a line, which is closed at the deadline at the latest. */
export function openLine(
	address: InstrumentAddress,
	deadline = DEADLINE
): Promise<Result<TextLine, InstrumentError>> {
	return new Promise((resolve) => {
		const socket = connect(address);
		const over = setTimeout(() => socket.destroy(), deadline);
		let heard = '';
		let wait: ((answer: Result<string, InstrumentError>) => void) | null = null;
		const settle = (answer: Result<string, InstrumentError>) => {
			const waiting = wait;
			wait = null;
			waiting?.(answer);
		};
		socket.setEncoding('ascii');
		socket.setTimeout(PATIENCE, () => {
			socket.destroy();
			resolve(refuse(ERRORS.gone(address)));
		});
		socket.once('error', () => {
			resolve(refuse(ERRORS.gone(address)));
			settle(refuse(ERRORS.dropped()));
		});
		socket.once('close', () => {
			clearTimeout(over);
			settle(refuse(ERRORS.dropped()));
		});
		socket.on('data', (chunk: string) => {
			heard += chunk;
			if (heard.length > LONGEST_ANSWER) return void socket.destroy();
			const end = heard.indexOf('\n');
			if (end < 0) return;
			const line = heard.slice(0, end).trim();
			heard = heard.slice(end + 1);
			settle(succeed(line));
		});
		socket.once('connect', () => {
			socket.setTimeout(0);
			resolve(
				succeed({
					ask: (command) =>
						new Promise((answer) => {
							const late = setTimeout(() => settle(refuse(ERRORS.silent())), PATIENCE);
							wait = (said) => {
								clearTimeout(late);
								answer(said);
							};
							if (socket.destroyed) settle(refuse(ERRORS.dropped()));
							// A line break within would be a second command.
							else socket.write(`${command.replace(/[^\x20-\x7e]/g, '')}\n`);
						}),
					close: () => socket.destroy()
				})
			);
		});
	});
}
