<script lang="ts">
	import Delete from '@lucide/svelte/icons/delete';
	import CornerDownLeft from '@lucide/svelte/icons/corner-down-left';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { tick, untrack } from 'svelte';
	import type { StringRecord } from '$core/circuit/record';
	import { readFigure } from '$core/document/figure';
	import { READING_LIMITS } from '$core/document/visit';
	import type { PlaceVerdict } from '$core/expectation/expect';
	import { placeKey } from '$core/expectation/standing';
	import { QUANTITIES, type Quantity } from '$core/expectation/visit';
	import VerdictMark from './VerdictMark.svelte';
	import type { VisitSession } from './visit-session.svelte';
	import { figureOf, QUANTITY_WORDS } from './words';

	interface Props {
		session: VisitSession;
		string: StringRecord;
		quantity: Quantity;
		place: PlaceVerdict | null;
		onmove: (by: 1 | -1) => void;
		onstored: (key: string) => void;
		onquantity: (quantity: Quantity) => void;
	}
	let { session, string, quantity, place, onmove, onstored, onquantity }: Props = $props();

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

	const key = $derived(placeKey(string.id, quantity));
	const label = $derived(
		(id: string) => session.document.record.strings.find((s) => s.id === id)?.label ?? ''
	);
	/** Strings of one input share their volts, so the last typed for it stands there already. */
	const busKey = $derived(string.input ?? string.id);
	const bus = $derived(busTyped[busKey] ?? String(knownBus() ?? ''));
	const recent = $derived(session.recent(3));

	function knownBus(): number | null {
		const own = session.standing(string.id, 'operating-current');
		if (own) return own.atVolts;
		const sibling = session.document.record.strings
			.filter((s) => string.input !== null && s.input === string.input)
			.flatMap((s) => session.standing(s.id, 'operating-current') ?? [])
			.sort((a, b) => (a.takenAt < b.takenAt ? 1 : -1))[0];
		return sibling?.atVolts ?? null;
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
		if (session.question) return;
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
		const at = key;
		const go = await session.enter({
			stringId: string.id,
			quantity,
			value: read.value,
			atVolts: volts?.value ?? null,
			typed: (typed[at] ?? '').trim()
		});
		if (go) forgetAndGo(at);
	}

	function refuse(words: string) {
		error = words;
	}

	function forgetAndGo(at: string) {
		delete typed[at];
		onstored(at);
	}

	async function confirm() {
		const asked = session.question;
		if (!asked) return;
		const at = placeKey(asked.reading.stringId, asked.reading.quantity);
		const overtaken = asked.kind === 'overtaken';
		if (await session.confirm()) {
			if (overtaken) return;
			forgetAndGo(at);
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
		onquantity(taken.quantity);
		field?.focus();
	}

	function press(sign: string) {
		const change = (text: string) =>
			sign === 'back'
				? text.slice(0, -1)
				: sign === '±'
					? text.startsWith('-')
						? text.slice(1)
						: `-${text}`
					: text + sign;
		if (onBus) busTyped[busKey] = change(bus);
		else typed[key] = change(typed[key] ?? '');
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
			onquantity(QUANTITIES[(QUANTITIES.indexOf(quantity) + 1) % QUANTITIES.length]!);
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

	const KEYPAD = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '±', '0', '.'];
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

	{#if session.question}
		<div class="question" role="alertdialog" aria-label="Before it is stored">
			<p>{session.question.words}</p>
			<div>
				<button type="button" class="act" onclick={dismiss}>
					{session.question.kind === 'overtaken' ? 'Keep theirs' : 'Change it'}
				</button>
				<button type="button" class="act-plain" onclick={confirm}>Store it</button>
			</div>
		</div>
	{/if}

	{#each session.unsent as item (item.reading.id)}
		<div class="question" role="alert">
			<p>
				Not stored: <strong>{label(item.reading.stringId)} {item.reading.typed}</strong>. {item.words}
			</p>
			<div>
				{#if item.again}
					<button type="button" class="act" onclick={() => session.sendAgain(item)}
						>Send again</button
					>
				{/if}
				<button type="button" class="act-plain" onclick={() => session.forget(item)}>Drop it</button
				>
			</div>
		</div>
	{/each}

	<div class="keypad" aria-hidden="true">
		{#each KEYPAD as sign (sign)}
			<button
				type="button"
				tabindex="-1"
				onpointerdown={(e) => {
					e.preventDefault();
					press(sign);
				}}>{sign}</button
			>
		{/each}
		<button
			type="button"
			tabindex="-1"
			onpointerdown={(e) => {
				e.preventDefault();
				press('back');
			}}><Delete size={24} /></button
		>
		<button
			type="button"
			tabindex="-1"
			class="enter"
			onpointerdown={(e) => {
				e.preventDefault();
				void enter();
			}}><CornerDownLeft size={24} /> Enter</button
		>
	</div>

	<div class="recent">
		<h2>Last readings</h2>
		{#if recent.length === 0}<p class="soft">None yet. Type the figure, then Enter.</p>{/if}
		<ul>
			{#each recent as reading (reading.id)}
				{@const verdict = session.places.get(placeKey(reading.stringId, reading.quantity))}
				<li data-stored={!session.storing.has(reading.id)}>
					<span class="figure what"
						>{label(reading.stringId)} {QUANTITY_WORDS[reading.quantity].symbol}</span
					>
					<span class="figure"
						>{figureOf(reading.value, QUANTITY_WORDS[reading.quantity].unit)}
						{QUANTITY_WORDS[reading.quantity].unit}</span
					>
					{#if verdict?.verdict}<VerdictMark verdict={verdict.verdict} />{/if}
					{#if session.storing.has(reading.id)}<span class="soft">storing</span>{/if}
					{#if verdict?.counted && verdict.verdict !== 'fits'}<span class="said"
							>{verdict.counted.words}</span
						>{/if}
				</li>
			{/each}
		</ul>
		<div class="foot">
			<button type="button" class="act-plain" onclick={undo} disabled={recent.length === 0}>
				<Undo2 size={18} aria-hidden="true" />Undo
			</button>
			<button
				type="button"
				class="act-plain keys"
				aria-expanded={shortcuts}
				onclick={() => (shortcuts = !shortcuts)}>Keys</button
			>
			<label class="by"
				>by <input bind:value={session.by} maxlength="80" aria-label="Who measures" /></label
			>
		</div>
		{#if shortcuts}
			<dl>
				<dt>Enter</dt>
				<dd>store, next place</dd>
				<dt>n, ↓</dt>
				<dd>next place</dd>
				<dt>p, ↑</dt>
				<dd>place before</dd>
				<dt>m</dt>
				<dd>other quantity</dd>
				<dt>Esc</dt>
				<dd>no to a question</dd>
				<dt>Ctrl z</dt>
				<dd>take the last back</dd>
				<dt>?</dt>
				<dd>this list</dd>
			</dl>
		{/if}
	</div>
</section>

<style>
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

	.question {
		border: 2px solid var(--look);
		padding: 0.7rem;
		display: grid;
		gap: 0.6rem;
	}

	.question div {
		display: flex;
		gap: 0.6rem;
	}

	.keypad {
		display: none;
		grid-template-columns: repeat(3, 1fr);
		gap: 6px;
	}

	.keypad button {
		min-height: 52px;
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		background: var(--paper);
		font-family: var(--mono);
		font-size: 1.5rem;
		display: grid;
		place-items: center;
		touch-action: manipulation;
	}

	.keypad .enter {
		grid-column: span 2;
		grid-auto-flow: column;
		justify-content: center;
		gap: 0.5rem;
		background: var(--accent);
		border-color: var(--accent);
		color: var(--on-accent);
		font-family: inherit;
		font-weight: 650;
	}

	@media (max-width: 900px), (pointer: coarse) {
		.keypad {
			display: grid;
		}
	}

	.recent {
		border-top: 1px solid var(--line);
		padding-top: 0.5rem;
	}

	h2 {
		font-size: 0.95rem;
	}

	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.8rem;
		align-items: center;
		padding: 0.22rem 0;
		font-size: 0.98rem;
	}

	.what {
		font-weight: 650;
		min-width: 4.2rem;
	}

	.said {
		flex-basis: 100%;
		font-size: 0.9rem;
	}

	.foot {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem;
		margin-top: 0.5rem;
	}

	.foot .act-plain {
		padding-inline: 0.7rem;
	}

	.by {
		display: flex;
		align-items: baseline;
		gap: 0.3rem;
		flex: 1 1 10rem;
		min-width: 0;
		font-size: 0.9rem;
		color: var(--soft);
	}

	.by input {
		flex: 1;
		width: 100%;
		min-height: 44px;
		background: transparent;
		border: 0;
		border-bottom: 1px solid var(--line);
		padding: 0;
		color: var(--ink);
	}

	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.1rem 1rem;
		margin-top: 0.5rem;
		font-size: 0.92rem;
	}

	dt {
		font-family: var(--mono);
	}

	@media (max-width: 900px) {
		.keys {
			display: none;
		}

		header p {
			display: none;
		}

		.line input {
			font-size: 2.6rem;
		}
	}
</style>
