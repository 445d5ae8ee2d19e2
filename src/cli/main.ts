import { text } from 'node:stream/consumers';
import type { Problem } from '$core/document';
import { COMMANDS, run } from './commands';

const BAD_INPUT = 2;

function fail(problem: Problem): never {
	process.stderr.write(`${JSON.stringify({ error: problem })}\n`);
	process.exit(BAD_INPUT);
}

const [name = ''] = process.argv.slice(2);
const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
if (!command) {
	fail({
		what: name ? `There is no command “${name}”.` : 'No command is named.',
		where: '',
		mend: `Use one of: ${Object.keys(COMMANDS).join(', ')}; the input is JSON on standard input.`
	});
}

let input: unknown;
try {
	input = JSON.parse(await text(process.stdin));
} catch (error) {
	fail({
		what: `Standard input is not JSON: ${error instanceof Error ? error.message : String(error)}`,
		where: '',
		mend: 'Send one JSON value, for example: zembo fit < label.json'
	});
}

const answer = run(command, input);
if (!answer.ok) fail(answer.problem);
process.stdout.write(`${JSON.stringify(answer.value)}\n`);
