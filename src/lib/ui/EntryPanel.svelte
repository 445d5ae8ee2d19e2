<script lang="ts">
	import { inSentence } from '$core/units';
	import { onMount, tick, untrack } from 'svelte';
	import { resolve } from '$app/paths';
	import { readFigure, READING_LIMITS } from '$core/document';
	import {
		busVoltageQuestion,
		canBeOverRange,
		type MeterFigure,
		pastedFigures,
		readMeterFigure
	} from '$core/expectation';
	import {
		findCurrentReadings,
		keyOf,
		measurementsOf,
		type Place,
		placeWords,
		type Quantity,
		QUANTITY_FACTS,
		stringKey,
		stringOfPlace,
		type SwitchingState
	} from '$core/visit';
	import { gateOfReading, testEquipmentProblem } from '$core/isolation';
	import {
		inputsByVoltage,
		sharedVoltage,
		voltageKeys,
		expectedAt,
		readingAt
	} from '$core/assessment';
	import type { MeasurementPoint } from '$core/visit-plan';
	import EntryQuestions from './EntryQuestions.svelte';
	import FromMeter from './FromMeter.svelte';
	import GateCard from './GateCard.svelte';
	import InputsSeen from './InputsSeen.svelte';
	import Keypad, { afterKey, type KeypadKey } from './Keypad.svelte';
	import { keepEntries, keptEntries } from '../session/kept-entries';
	import PastedColumn from './PastedColumn.svelte';
	import RecentReadings from './RecentReadings.svelte';
	import PointExpectation from './PointExpectation.svelte';
	import StatePicker from './StatePicker.svelte';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		session: VisitSession;
		spot: MeasurementPoint;
		onmove: (by: 1 | -1) => void;
		onstored: (key: string) => void;
		onplace: (place: Place, quantity: Quantity) => void;
		/** Goes to another quantity. */
		onother: () => void;
		/** Places from this one on, for a pasted column. */
		following?: readonly MeasurementPoint[];
	}
	let { session, spot, onmove, onstored, onplace, onother, following = [spot] }: Props = $props();

	const { record } = $derived(session.document);
	const quantity = $derived(spot.quantity);
	const facts = $derived(QUANTITY_FACTS[quantity]);
	const string = $derived(
		record.strings.find(({ id }) => id === stringOfPlace(spot.place)) ?? null
	);
	const name = $derived(placeWords(record, spot.place));
	const running = $derived(quantity === 'operating-current');
	/** What is typed, by place: leaving a place and coming back loses nothing. */
	// svelte-ignore state_referenced_locally
	const kept = keptEntries(session.document.visit.id);
	let typed = $state<Record<string, string>>({ ...kept.typed });
	let busTyped = $state<Record<string, string>>({ ...kept.bus });
	/** How the circuit is switched, where the person says otherwise than usual, by quantity. */
	let switched = $state.raw<Partial<Record<Quantity, SwitchingState>>>({});
	let error = $state<string | null>(null);
	let shortcuts = $state(false);
	/** A pasted column, until it is stored or dropped. */
	let pasted = $state.raw<readonly string[]>([]);
	let field = $state<HTMLInputElement>();
	let busField = $state<HTMLInputElement>();
	/** Where the keypad writes. */
	let onBus = $state(false);
	/** Volts that were asked about, as typed: entered once more they are meant. */
	let busKept = '';
	/** A figure is being judged. */
	let judging = false;

	const key = $derived(keyOf(spot));
	const readingState = $derived(switched[quantity] ?? spot.state);
	/** Strings in parallel share their voltage, so the last typed for one of them stands there already. */
	const keysOfVoltage = $derived(running ? voltageKeys(record) : new Map<string, string>());
	const busKey = $derived((string && keysOfVoltage.get(string.id)) ?? '');
	const shared = $derived(
		running && string
			? sharedVoltage(record, keysOfVoltage, findCurrentReadings(session.document.visit), string)
			: null
	);
	const bus = $derived(busTyped[busKey] ?? String(shared?.voltage ?? ''));
	/** What stands in the field of the operating voltage, V; null while it is no figure. */
	const typedVoltage = $derived.by(() => {
		const read = readFigure(bus, READING_LIMITS.volts);
		return read.ok ? read.value : null;
	});
	const inputsSeen = $derived(
		running
			? inputsByVoltage(record, keysOfVoltage, findCurrentReadings(session.document.visit))
			: []
	);
	const asked = $derived({ place: spot.place, quantity, state: readingState });
	const gate = $derived(
		gateOfReading(record, session.effective, session.places, asked, () => session.now)
	);
	/** By itself, so that the clock's ticking is no change. */
	const isOpen = $derived(gate.open);
	const ratingProblem = $derived(
		testEquipmentProblem(record, session.document.visit.meters, asked)
	);
	const takes = $derived(measurementsOf(session.document.visit, key));

	function questionOnBusVoltage(voltage: number): string | null {
		const open = string && session.places.get(stringKey(string.id, 'open-circuit-voltage'));
		return (
			string &&
			busVoltageQuestion(
				string,
				voltage,
				open ? (expectedAt(open)?.value ?? readingAt(open)?.value ?? null) : null
			)
		);
	}

	onMount(() => session.warm());
	// A page that is loaded again in the middle of a field loses nothing.
	$effect(() => {
		keepEntries(session.document.visit.id, {
			typed: $state.snapshot(typed),
			bus: $state.snapshot(busTyped)
		});
	});

	// The lit place has the focus; the volts come first while they are not known.
	$effect(() => {
		void key;
		void isOpen;
		untrack(() => {
			error = null;
			onBus = running && bus === '';
			void tick().then(() => (onBus ? busField : field)?.focus({ preventScroll: true }));
		});
	});

	async function enter() {
		if (session.question || judging) return;
		if (onBus && running) {
			const voltage = readFigure(bus, READING_LIMITS.volts);
			const question = voltage.ok && busKept !== bus ? questionOnBusVoltage(voltage.value) : null;
			error = voltage.ok ? question : voltage.problem;
			if (question !== null) busKept = bus;
			else if (voltage.ok) {
				onBus = false;
				await tick();
				field?.focus();
			}
			return;
		}
		const read = readMeterFigure(
			typed[key] ?? '',
			quantity,
			session.document.visit.meters.volts.ratedVolts
		);
		const voltage = running ? readFigure(bus, READING_LIMITS.volts) : null;
		if (!read.ok) return refuse(read.problem);
		if (voltage && !voltage.ok) return refuse(`Operating voltage: ${voltage.problem}`);
		error = null;
		await store(read.value, voltage?.value ?? null);
	}

	/**
	 * Hands the figure over and goes on. What is typed while it is judged belongs to the next place,
	 * so the field is empty at once; a figure that is asked about comes back.
	 */
	async function store({ value, overRange }: MeterFigure, atVoltage: number | null) {
		const at = key;
		const text = (typed[at] ?? '').trim();
		typed[at] = '';
		judging = true;
		let stored = false;
		try {
			stored = await session.enter({
				...asked,
				value,
				...(overRange && { overRange: true }),
				atVolts: atVoltage,
				typed: text
			});
		} catch {
			refuse('Zembo could not judge this figure. It is not stored; press Enter to try again.');
		}
		judging = false;
		if (stored) await goOn(at);
		else typed[at] = text;
	}

	/** A figure that an instrument sent, once it stood still. */
	async function fromInstrument(value: number) {
		const at = key;
		const voltage = running ? readFigure(bus, READING_LIMITS.volts) : null;
		if (voltage && !voltage.ok) return refuse(`Operating voltage: ${voltage.problem}`);
		const atVoltage = voltage?.value ?? null;
		const entry = {
			...asked,
			value,
			atVolts: atVoltage,
			typed: String(value),
			source: 'instrument' as const
		};
		if (await session.enter(entry)) await goOn(at);
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
		const question = session.question;
		if (!question) return;
		const at = keyOf(question.reading);
		const overtaken = question.kind === 'overtaken';
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
		typed[keyOf(taken)] = taken.typed;
		onplace(taken.place, taken.quantity);
		field?.focus();
	}

	function press(pressed: KeypadKey) {
		if (onBus) busTyped[busKey] = afterKey(bus, pressed);
		else typed[key] = afterKey(typed[key] ?? '', pressed);
	}

	function paste(event: ClipboardEvent) {
		const figures = pastedFigures(event.clipboardData?.getData('text') ?? '');
		if (figures.length < 2) return;
		event.preventDefault();
		pasted = figures;
	}

	function keys(event: KeyboardEvent) {
		const empty = (onBus ? bus : (typed[key] ?? '')) === '';
		const act = actOf(event, empty);
		if (!act) return;
		event.preventDefault();
		void act();
	}

	function actOf(event: KeyboardEvent, empty: boolean): (() => unknown) | null {
		if (event.key === 'Enter') return enter;
		if (event.key === 'Escape' && session.question) return dismiss;
		if (event.key === 'ArrowDown' || (event.key === 'n' && empty)) return () => onmove(1);
		if (event.key === 'ArrowUp' || (event.key === 'p' && empty)) return () => onmove(-1);
		if (!empty) return null;
		if (event.key === 'm') return onother;
		if (event.key === 'z' && (event.ctrlKey || event.metaKey)) return undo;
		return event.key === '?' ? () => (shortcuts = !shortcuts) : null;
	}
</script>

<section class="entry panel" aria-label="Next reading">
	<header>
		<h1 data-quantity={quantity}>
			<span class="figure">{name}</span>
			{inSentence(facts.words)}
		</h1>
		<p class="soft">{facts.meter}.</p>
		<StatePicker
			{string}
			state={readingState}
			usual={spot.state}
			onchange={(state) => (switched = { ...switched, [quantity]: state })}
		/>
	</header>

	{#if !gate.open}
		<GateCard {session} {gate} />
	{:else if ratingProblem}
		<p class="notice" data-kind="error" role="alert">{speak(ratingProblem)}</p>
	{:else}
		{#if running}
			<label class="bus" class:lit={onBus}>
				<span>Operating voltage{string?.input ? `, input ${string.input}` : ''}</span>
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

		{#if running && shared && !shared.recorded}
			<p class="soft" data-shared-voltage>
				The same for all strings whose input is not recorded, as read at {shared.from}. Type another
				where this string is on another input.
			</p>
		{/if}
		{#if inputsSeen.length > 0}
			<InputsSeen {session} groups={inputsSeen} />
		{/if}

		<label class="main" class:lit={!onBus}>
			<span class="sr-only">{name} {facts.words}, {facts.unit}</span>
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
					onpaste={paste}
					onkeydown={keys}
					aria-invalid={error !== null}
					aria-describedby="entry-words"
				/>{facts.unit}
			</span>
		</label>
	{/if}

	<div id="entry-words" aria-live="polite">
		{#if error}
			<p class="error" role="alert">{error}</p>
		{:else}
			<PointExpectation {session} {spot} state={readingState} {takes} />
		{/if}
	</div>

	{#if pasted.length > 0}
		<PastedColumn
			{session}
			spots={following}
			figures={pasted}
			voltage={typedVoltage}
			onclose={() => (pasted = [])}
		/>
	{/if}

	{#if session.hint}
		<p class="notice" role="status">
			{session.hint}
			<button type="button" class="act-plain" onclick={() => (session.hint = null)}>Seen</button>
		</p>
	{/if}

	{#if string}
		<a
			class="curve"
			href={resolve('/visits/[visit]/strings/[string]', {
				visit: session.document.visit.id,
				string: string.id
			})}>The curve of {string.label}, and what if</a
		>
	{/if}

	<EntryQuestions {session} onconfirm={confirm} ondismiss={dismiss} />

	{#if gate.open && !ratingProblem}
		<FromMeter
			{quantity}
			probe={{ label: string?.label ?? '', quantity, kind: spot.place.kind }}
			onread={fromInstrument}
		/>
		<Keypad overRange={canBeOverRange(quantity)} onpress={press} onenter={enter} />
	{/if}

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
