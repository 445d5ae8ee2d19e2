<script lang="ts">
	import { tick, untrack } from 'svelte';
	import { resolve } from '$app/paths';
	import type { StringRecord } from '$core/record/record';
	import { readFigure } from '$core/document/figure';
	import { READING_LIMITS } from '$core/document/visit';
	import type { PlaceVerdict } from '$core/expectation/expect';
	import { busVoltsByInput } from '$core/expectation/bus-volts';
	import { placeKey, standingReadings } from '$core/expectation/standing';
	import { QUANTITIES, type Quantity } from '$core/expectation/visit';
	import EntryQuestions from './EntryQuestions.svelte';
	import Keypad, { afterKey, type KeypadKey } from './Keypad.svelte';
	import RecentReadings from './RecentReadings.svelte';
	import type { VisitSession } from './visit-session.svelte';
	import { figureOf, QUANTITY_WORDS } from './words';

	interface Props {
		session: VisitSession;
		string: StringRecord;
		quantity: Quantity;
		place: PlaceVerdict | null;
		onmove: (by: 1 | -1) => void;
		onstored: (key: string) => void;
		onplace: (stringId: string, quantity: Quantity) => void;
	}
	let { session, string, quantity, place, onmove, onstored, onplace }: Props = $props();

	const words = $derived(QUANTITY_WORDS[quantity]);
	const running = $derived(quantity === 'operating-current');
	/** What is typed, by place: leaving a place and coming back loses nothing. */
	let typed = $state<Record<string, string>>({});
	let busTyped = $state<Record<string, string>>({});
	let error = $state<string | null>(null);
	let shortcuts = $state(false);
	let field = $state<HTMLInputElement>();
	let busField = $state<HTMLInputElement>();
	/** Where the keypad writes. */
	let onBus = $state(false);
	/** A figure is being judged. */
	let judging = false;

	const key = $derived(placeKey(string.id, quantity));
	/** Strings of one input share their volts, so the last typed for it stands there already. */
	const busKey = $derived(string.input ?? string.id);
	const bus = $derived(busTyped[busKey] ?? String(knownBus() ?? ''));

	function knownBus(): number | null {
		const own = session.standing(string.id, 'operating-current');
		if (own || string.input === null) return own?.atVolts ?? null;
		const { record, visit } = session.document;
		return busVoltsByInput(record, standingReadings(visit)).get(string.input) ?? null;
	}

	// The lit place has the focus; the volts come first while they are not known.
	$effect(() => {
		void key;
		untrack(() => {
			error = null;
			onBus = running && bus === '';
			void tick().then(() => (onBus ? busField : field)?.focus({ preventScroll: true }));
		});
	});

	async function enter() {
		if (session.question || judging) return;
		if (onBus && running) {
			const volts = readFigure(bus, READING_LIMITS.volts);
			error = volts.ok ? null : volts.problem;
			if (volts.ok) {
				onBus = false;
				await tick();
				field?.focus();
			}
			return;
		}
		const read = readFigure(
			typed[key] ?? '',
			quantity === 'open-circuit-voltage' ? READING_LIMITS.volts : READING_LIMITS.amps
		);
		const volts = running ? readFigure(bus, READING_LIMITS.volts) : null;
		if (!read.ok) return refuse(read.problem);
		if (volts && !volts.ok) return refuse(`Volts while running: ${volts.problem}`);
		error = null;
		await store(read.value, volts?.value ?? null);
	}

	/**
	 * Hands the figure over and goes on. What is typed while it is judged belongs to the next place,
	 * so the field is empty at once; a figure that is asked about comes back.
	 */
	async function store(value: number, atVolts: number | null) {
		const at = key;
		const text = (typed[at] ?? '').trim();
		typed[at] = '';
		judging = true;
		let stored = false;
		try {
			stored = await session.enter({ stringId: string.id, quantity, value, atVolts, typed: text });
		} catch {
			refuse('Zembo could not judge this figure. It is not stored; press Enter to try again.');
		}
		judging = false;
		if (stored) await goOn(at);
		else typed[at] = text;
	}

	function refuse(words: string) {
		error = words;
	}

	async function goOn(from: string) {
		const early = typed[from] ?? '';
		delete typed[from];
		onstored(from);
		await tick();
		if (early !== '') typed[key] = early;
	}

	async function confirm() {
		const asked = session.question;
		if (!asked) return;
		const at = placeKey(asked.reading.stringId, asked.reading.quantity);
		const overtaken = asked.kind === 'overtaken';
		if (await session.confirm()) {
			if (overtaken) return;
			delete typed[at];
			await goOn(at);
		}
	}

	async function dismiss() {
		session.dismiss();
		await tick();
		field?.focus();
		field?.select();
	}

	async function undo() {
		const taken = await session.undo();
		if (!taken) return;
		const at = placeKey(taken.stringId, taken.quantity);
		typed[at] = taken.typed;
		onplace(taken.stringId, taken.quantity);
		field?.focus();
	}

	function press(pressed: KeypadKey) {
		if (onBus) busTyped[busKey] = afterKey(bus, pressed);
		else typed[key] = afterKey(typed[key] ?? '', pressed);
	}

	function keys(event: KeyboardEvent) {
		const empty = (onBus ? bus : (typed[key] ?? '')) === '';
		if (event.key === 'Enter') {
			event.preventDefault();
			void enter();
		} else if (event.key === 'Escape' && session.question) {
			event.preventDefault();
			void dismiss();
		} else if (event.key === 'ArrowDown' || (event.key === 'n' && empty)) step(event, 1);
		else if (event.key === 'ArrowUp' || (event.key === 'p' && empty)) step(event, -1);
		else if (event.key === 'm' && empty) {
			event.preventDefault();
			onplace(string.id, QUANTITIES[(QUANTITIES.indexOf(quantity) + 1) % QUANTITIES.length]!);
		} else if (event.key === 'z' && (event.ctrlKey || event.metaKey) && empty) {
			event.preventDefault();
			void undo();
		} else if (event.key === '?' && empty) {
			event.preventDefault();
			shortcuts = !shortcuts;
		}
	}

	function step(event: KeyboardEvent, by: 1 | -1) {
		event.preventDefault();
		onmove(by);
	}
</script>

<section class="entry panel" aria-label="Next reading">
	<header>
		<h1><span class="figure">{string.label}</span> {words.name.toLowerCase()}</h1>
		<p class="soft">{words.state}. {words.meter}.</p>
	</header>

	{#if running}
		<label class="bus" class:lit={onBus}>
			<span>Volts while running{string.input ? `, input ${string.input}` : ''}</span>
			<span class="line">
				<input
					bind:this={busField}
					class="figure"
					inputmode="none"
					autocomplete="off"
					name="bus"
					value={bus}
					oninput={(event) => (busTyped[busKey] = event.currentTarget.value)}
					onfocus={() => (onBus = true)}
					onkeydown={keys}
				/>V
			</span>
		</label>
	{/if}

	<label class="main" class:lit={!onBus}>
		<span class="sr-only">{string.label} {words.name}, {words.unit}</span>
		<span class="line">
			<input
				bind:this={field}
				class="figure"
				inputmode="none"
				autocomplete="off"
				name="reading"
				value={typed[key] ?? ''}
				oninput={(event) => {
					typed[key] = event.currentTarget.value;
					error = null;
				}}
				onfocus={() => (onBus = false)}
				onkeydown={keys}
				aria-invalid={error !== null}
				aria-describedby="entry-words"
			/>{words.unit}
		</span>
	</label>

	<div id="entry-words" aria-live="polite">
		{#if error}
			<p class="error" role="alert">{error}</p>
		{:else if place?.expected}
			<p class="expected">
				expected <span class="figure">{figureOf(place.expected.value, words.unit)}</span>
				± <span class="figure">{figureOf(2 * place.expected.standardUncertainty, words.unit)}</span>
				{words.unit}
			</p>
		{:else if place?.missing}
			<p class="soft">{place.missing}</p>
		{/if}
		{#if place?.reading && !error}
			<p class="soft standing">
				stands at <span class="figure">{figureOf(place.reading.value, words.unit)}</span>
				{words.unit}; a new figure replaces it
			</p>
		{/if}
	</div>

	<a
		class="curve"
		href={resolve('/visits/[visit]/strings/[string]', {
			visit: session.document.visit.id,
			string: string.id
		})}>The curve of {string.label}, and what if</a
	>

	<EntryQuestions {session} onconfirm={confirm} ondismiss={dismiss} />

	<Keypad onpress={press} onenter={enter} />

	<RecentReadings {session} bind:shortcuts onundo={undo} />
</section>

<style>
	.curve {
		display: flex;
		align-items: center;
		justify-content: end;
		min-height: 44px;
		margin-block: -0.4rem;
	}

	.entry {
		padding: 0.9rem 1rem 1rem;
		display: grid;
		gap: 0.55rem;
		border: var(--stroke) solid var(--rule);
	}

	h1 {
		font-size: 1.35rem;
	}

	header p {
		font-size: 0.9rem;
	}

	.line {
		display: flex;
		align-items: baseline;
		gap: 0.5rem;
		font-size: 1.5rem;
		border-bottom: 3px solid var(--rule);
	}

	.lit .line {
		border-color: var(--accent);
	}

	input {
		min-width: 0;
	}

	.line input {
		flex: 1;
		width: 100%;
		background: transparent;
		border: 0;
		text-align: end;
		font-size: 3.4rem;
		font-weight: 600;
		line-height: 1.1;
		padding: 0;
	}

	.line input:focus {
		outline: none;
		box-shadow: none;
	}

	.bus .line {
		font-size: 1.1rem;
		border-width: 2px;
	}

	.bus .line input {
		font-size: 1.7rem;
	}

	.bus {
		font-size: 0.92rem;
	}

	.expected,
	.standing {
		text-align: end;
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}

	@media (max-width: 900px) {
		header p {
			display: none;
		}

		.line input {
			font-size: 2.6rem;
		}
	}
</style>
