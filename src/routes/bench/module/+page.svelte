<script lang="ts">
	import { readFigure } from '$core/document';
	import {
		type TablePossible,
		type TableQuantity,
		type TableReading,
		tableTest,
		testsLeft,
		traceTableModule
	} from '$core/diagnosis';
	import { readMeterFigure, weighedValue } from '$core/expectation';
	import Keypad, { afterKey, type KeypadKey } from '$lib/ui/Keypad.svelte';
	import { chance } from '$lib/text/format';
	import TableDrawing from './TableDrawing.svelte';

	let substrings = $state(3);
	let voc = $state('40.6');
	let readings = $state.raw<readonly TableReading[]>([]);
	let typed = $state('');
	let error = $state('');
	let field = $state<HTMLInputElement>();

	let reference = $state('');
	/** Tests that the person does not want to do, and the one they chose instead of the proposed one. */
	let skipped = $state.raw<readonly string[]>([]);
	let chosen = $state('');

	const label = $derived(readFigure(voc, { min: 1, max: 300, unit: 'V' }));
	const beside = $derived(
		reference.trim() === '' ? null : readFigure(reference, { min: 1, max: 300, unit: 'V' })
	);
	const module = $derived({
		substrings,
		voc: label.ok ? label.value : 40,
		reference: beside?.ok ? beside.value : null
	});
	const answer = $derived(traceTableModule(module, readings));
	const keyOf = ({ quantity, at }: { quantity: TableQuantity; at: number }) => `${quantity}/${at}`;
	const left = $derived(testsLeft(module, readings));
	const test = $derived.by(() => {
		const wanted = left.find((one) => keyOf(one) === chosen);
		if (wanted) return tableTest(module, wanted, answer.possible);
		return answer.next.find((one) => !skipped.includes(keyOf(one))) ?? null;
	});
	const likely = $derived(answer.possible.filter(({ probability }) => probability > 0.02));
	const found = $derived(answer.possible[0]!.probability > 0.95);

	const LIMITS: Readonly<Record<TableQuantity, { min: number; max: number; unit: string }>> = {
		leads: { min: -300, max: 300, unit: 'V' },
		section: { min: -100, max: 100, unit: 'V' },
		joint: { min: 0, max: 1e9, unit: 'ohm' },
		'diode-reverse': { min: 0, max: 10, unit: 'V' }
	};
	const HOW: Readonly<Record<TableQuantity, string>> = {
		leads: 'In daylight, nothing connected. Red on the positive lead.',
		section: 'In daylight, bar to bar across this section alone.',
		joint:
			'Covered dark, on ohms. A folding module: bend the fold while you watch. “OL” where it displays over range.',
		'diode-reverse':
			'Covered dark, diode test with the leads the wrong way. “OL” where it displays over range.'
	};

	function connectorWords(at: number): string {
		if (at === 0) return 'connection at the negative lead';
		return at === substrings
			? 'connection at the positive lead'
			: `connection between ${at} and ${at + 1}`;
	}
	function testWords(quantity: TableQuantity, at: number): string {
		switch (quantity) {
			case 'leads':
				return 'Voltage at the leads';
			case 'section':
				return `Voltage of substring ${at + 1}`;
			case 'joint':
				return `Resistance of the ${connectorWords(at)}`;
			case 'diode-reverse':
				return `Diode of substring ${at + 1}, reverse`;
		}
	}
	function possibleWords({ fault, at }: TablePossible): string {
		switch (fault) {
			case null:
				return 'healthy';
			case 'section-dead':
				return `substring ${at + 1} failed, bypassed by its diode`;
			case 'diode-shorted':
				return `bypass diode of substring ${at + 1} shorted`;
			case 'section-and-diode-open':
				return `substring ${at + 1} and its diode open`;
			case 'joint-open':
				return `${connectorWords(at)} open`;
			case 'joint-resistive':
				return `${connectorWords(at)} resistive`;
		}
	}
	const leavesWords = (leaves: readonly TablePossible[], of: number) =>
		leaves
			.filter(({ probability }) => probability > 0.03 * of)
			.sort((a, b) => b.probability - a.probability)
			.slice(0, 3)
			.map(possibleWords)
			.join(', or ') || 'another';

	/** Over range counts as an open line, or a diode that blocks. */
	function readTable(quantity: TableQuantity) {
		if (quantity !== 'joint' && quantity !== 'diode-reverse') {
			return readFigure(typed, LIMITS[quantity]);
		}
		const as = quantity === 'joint' ? ('joint-resistance' as const) : ('diode-reverse' as const);
		const read = readMeterFigure(typed, as, null);
		return read.ok
			? {
					ok: true as const,
					value: weighedValue({
						...read.value,
						overRange: read.value.overRange || undefined,
						quantity: as
					})
				}
			: read;
	}

	function skip(): void {
		if (!test) return;
		skipped = [...skipped, keyOf(test)];
		chosen = '';
		typed = '';
	}

	function enter(): void {
		if (!test) return;
		const read = readTable(test.quantity);
		error = read.ok ? '' : read.problem;
		if (!read.ok) return;
		readings = [...readings, { quantity: test.quantity, at: test.at, value: read.value }];
		typed = '';
		chosen = '';
		field?.focus();
	}
	function undo(): void {
		const last = readings.at(-1);
		if (!last) return;
		readings = readings.slice(0, -1);
		typed = String(last.value);
	}
	const BRIDGED_WORDS = {
		'own-readings': 'from your readings of the other substrings',
		reference: 'from the reference module',
		nameplate: 'from the nameplate; light and temperature are not known'
	} as const;
	const figure = (value: number, quantity: TableQuantity) =>
		quantity === 'joint' && value > 1e4 ? 'open' : value.toFixed(1).replace('-', '\u2212');
</script>

<svelte:head><title>A module on the table · Zembo</title></svelte:head>

<div class="page">
	<h1>A module on the table</h1>
	<p class="soft lead">
		Loose or folding: which substring has failed, or which connection is open, down to what can be
		bypassed. A module in daylight is live at its leads; cover it before its box is touched, and
		keep its leads apart. The manufacturer’s instructions decide whether its box may be opened at
		all.
	</p>
	<form class="about" onsubmit={(event) => event.preventDefault()}>
		<label>
			<span>Substrings, one for each bypass diode</span>
			<select bind:value={substrings} onchange={() => (readings = [])}>
				{#each [1, 2, 3, 4, 6, 8, 12] as n (n)}<option value={n}>{n}</option>{/each}
			</select>
		</label>
		<label>
			<span>Nameplate Voc, V</span>
			<input class="figure" inputmode="decimal" bind:value={voc} aria-invalid={!label.ok} />
			{#if !label.ok}<span class="error" role="alert">{label.problem}</span>{/if}
		</label>
		<label>
			<span>Voc of a reference module now, V</span>
			<input
				class="figure"
				inputmode="decimal"
				name="reference"
				placeholder="same type, same light"
				bind:value={reference}
				aria-invalid={beside !== null && !beside.ok}
			/>
			{#if beside && !beside.ok}<span class="error" role="alert">{beside.problem}</span>{/if}
		</label>
	</form>

	<TableDrawing sections={substrings} possible={likely} {test} />

	<div class="split">
		<section aria-label="What is still possible">
			<h2>
				{found ? 'Found: ' : 'Likeliest: '}{possibleWords(answer.possible[0]!)}
			</h2>
			<ul class="likely">
				{#each likely as one (`${one.fault}/${one.at}`)}
					<li>
						<span class="figure">{chance(one.probability)}</span>
						<span>{possibleWords(one)}</span>
						<span class="bar" style:width="{100 * one.probability}%"></span>
					</li>
				{/each}
			</ul>
			{#if answer.bridged !== null && found}
				<p class="notice">
					With that substring bypassed the leads will read about
					<span class="figure" data-bypassed>{answer.bridged.voltage.toFixed(1)} V</span>
					({BRIDGED_WORDS[answer.bridged.from]}); the others keep their current. Use a conductor of
					the same cross-section, soldered or crimped, insulated.
				</p>
			{/if}
			{#if readings.length > 0}
				<h3>Read</h3>
				<ul>
					{#each readings as reading, i (i)}
						<li>
							{testWords(reading.quantity, reading.at)}:
							<span class="figure"
								>{figure(reading.value, reading.quantity)} {LIMITS[reading.quantity].unit}</span
							>
						</li>
					{/each}
				</ul>
				<button type="button" class="act-plain" onclick={undo}>Undo</button>
				<button type="button" class="act-plain" onclick={() => ((readings = []), (skipped = []))}
					>Another module</button
				>
			{/if}
		</section>

		<section class="panel" aria-label="Next test">
			{#if test && (!found || chosen !== '')}
				<h2 data-table-test="{test.quantity}/{test.at}">{testWords(test.quantity, test.at)}</h2>
				<p>{HOW[test.quantity]}</p>
				<label class="line">
					<span class="sr-only">Figure, {LIMITS[test.quantity].unit}</span>
					<input
						bind:this={field}
						class="figure"
						name="figure"
						inputmode="none"
						autocomplete="off"
						bind:value={typed}
						onkeydown={(event) => event.key === 'Enter' && enter()}
					/>
					{LIMITS[test.quantity].unit}
				</label>
				{#if error}<p class="error" role="alert">{error}</p>{/if}
				<Keypad
					overRange={test.quantity === 'joint' || test.quantity === 'diode-reverse'}
					onpress={(key: KeypadKey) => (typed = afterKey(typed, key))}
					onenter={enter}
				/>
				<button type="button" class="act-plain" onclick={skip}>Skip this test</button>
				<ul class="outcomes">
					{#each test.outcomes as { low, high, probability, leaves }, i (i)}
						<li>
							<span class="figure"
								>{figure(low, test.quantity)} to {figure(high, test.quantity)}
								{LIMITS[test.quantity].unit}</span
							>
							<span class="figure">{chance(probability)}</span>
							<span class="words">{leavesWords(leaves, probability)}</span>
						</li>
					{/each}
				</ul>
			{:else}
				<p>Nothing left to read would tell more.</p>
			{/if}
			{#if left.length > 0}
				<label class="other">
					<span>Another test</span>
					<select name="other" bind:value={chosen}>
						<option value="">The next useful one</option>
						{#each left as one (keyOf(one))}
							<option value={keyOf(one)}>{testWords(one.quantity, one.at)}</option>
						{/each}
					</select>
				</label>
			{/if}
		</section>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	h2 {
		font-size: 1.25rem;
	}

	h3 {
		font-size: 1rem;
		margin-top: 0.8rem;
	}

	.lead {
		max-width: 78ch;
		margin-bottom: 0.8rem;
	}

	.about {
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem 1.6rem;
	}

	.about label {
		display: grid;
		gap: 0.2rem;
		font-weight: 600;
	}

	select,
	input {
		min-height: 48px;
		padding: 0.3rem 0.7rem;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
	}

	.split {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 22rem);
		gap: 1rem 2rem;
		align-items: start;
		margin-top: 0.8rem;
	}

	.panel {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.6rem;
		padding: 1rem;
	}

	.line {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		font-size: 1.4rem;
	}

	.line input {
		width: 100%;
		text-align: end;
		font-size: 1.7rem;
	}

	.likely li {
		position: relative;
		display: grid;
		grid-template-columns: 4.2rem 1fr;
		padding: 0.4rem 0 0.55rem;
		border-bottom: 1px solid var(--line);
	}

	.bar {
		position: absolute;
		left: 0;
		bottom: 0;
		height: 4px;
		background: var(--ink);
	}

	.outcomes li {
		display: grid;
		grid-template-columns: 1fr auto;
		padding: 0.3rem 0;
		border-top: 1px solid var(--line);
	}

	.words {
		grid-column: 1 / -1;
	}

	.other select {
		width: 100%;
	}

	.other {
		display: grid;
		gap: 0.2rem;
		font-weight: 600;
	}

	.error {
		color: var(--off);
	}

	@media (max-width: 760px) {
		.split {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
