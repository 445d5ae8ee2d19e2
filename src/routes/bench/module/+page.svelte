<script lang="ts">
	import { readFigure } from '$core/document/figure';
	import {
		traceTableModule,
		type TablePossible,
		type TableQuantity,
		type TableReading
	} from '$core/trace/table-module';
	import Keypad, { afterKey, type KeypadKey } from '$lib/ui/Keypad.svelte';
	import { chance } from '$lib/ui/words';
	import TableDrawing from './TableDrawing.svelte';

	let sections = $state(3);
	let voc = $state('40.6');
	let readings = $state.raw<readonly TableReading[]>([]);
	let typed = $state('');
	let error = $state('');
	let field = $state<HTMLInputElement>();

	const label = $derived(readFigure(voc, { min: 1, max: 300, unit: 'V' }));
	const module = $derived({ sections, voc: label.ok ? label.value : 40 });
	const answer = $derived(traceTableModule(module, readings));
	const test = $derived(answer.next[0] ?? null);
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
			'Covered dark, on ohms. A folding module: bend the fold while you watch. Over range: type 1e8.',
		'diode-reverse': 'Covered dark, diode test with the leads the wrong way. 9.99 for “over range”.'
	};

	function jointWords(at: number): string {
		if (at === 0) return 'joint at the negative lead';
		return at === sections ? 'joint at the positive lead' : `joint between ${at} and ${at + 1}`;
	}
	function testWords(quantity: TableQuantity, at: number): string {
		switch (quantity) {
			case 'leads':
				return 'Volts at the leads';
			case 'section':
				return `Volts of section ${at + 1}`;
			case 'joint':
				return `Ohms of the ${jointWords(at)}`;
			case 'diode-reverse':
				return `Diode of section ${at + 1}, reverse`;
		}
	}
	function possibleWords({ fault, at }: TablePossible): string {
		switch (fault) {
			case null:
				return 'whole';
			case 'section-dead':
				return `section ${at + 1} dead, its diode carries`;
			case 'diode-shorted':
				return `diode of section ${at + 1} shorted`;
			case 'section-and-diode-open':
				return `section ${at + 1} and its diode open`;
			case 'joint-open':
				return `${jointWords(at)} open`;
			case 'joint-resistive':
				return `${jointWords(at)} resistive`;
		}
	}
	const leavesWords = (leaves: readonly TablePossible[], of: number) =>
		leaves
			.filter(({ probability }) => probability > 0.03 * of)
			.sort((a, b) => b.probability - a.probability)
			.slice(0, 3)
			.map(possibleWords)
			.join(', or ') || 'another';

	function enter(): void {
		if (!test) return;
		const read = readFigure(typed, LIMITS[test.quantity]);
		error = read.ok ? '' : read.problem;
		if (!read.ok) return;
		readings = [...readings, { quantity: test.quantity, at: test.at, value: read.value }];
		typed = '';
		field?.focus();
	}
	function undo(): void {
		const last = readings.at(-1);
		if (!last) return;
		readings = readings.slice(0, -1);
		typed = String(last.value);
	}
	const figure = (value: number, quantity: TableQuantity) =>
		quantity === 'joint' && value > 1e4 ? 'open' : value.toFixed(1).replace('-', '\u2212');
</script>

<svelte:head><title>A module on the table · Zembo</title></svelte:head>

<div class="page">
	<h1>A module on the table</h1>
	<p class="soft lead">
		Loose or folding: which section is dead, or which joint is open, down to what can be bridged. A
		module in daylight is live at its leads; cover it before its box is touched, and keep its leads
		apart. The maker’s instructions decide whether its box may be opened at all.
	</p>
	<form class="about" onsubmit={(event) => event.preventDefault()}>
		<label>
			<span>Sections, one for each bypass diode</span>
			<select bind:value={sections} onchange={() => (readings = [])}>
				{#each [1, 2, 3, 4, 6, 8, 12] as n (n)}<option value={n}>{n}</option>{/each}
			</select>
		</label>
		<label>
			<span>Voc on its label, V</span>
			<input class="figure" inputmode="decimal" bind:value={voc} aria-invalid={!label.ok} />
			{#if !label.ok}<span class="error" role="alert">{label.problem}</span>{/if}
		</label>
	</form>

	<TableDrawing {sections} possible={likely} {test} />

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
					With that section bridged the leads will show about
					<span class="figure">{answer.bridged.toFixed(1)} V</span>; the others carry on at their
					current. Bridge with the conductor of its own cross-section, soldered or crimped,
					insulated.
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
				<button type="button" class="act-plain" onclick={() => (readings = [])}
					>Another module</button
				>
			{/if}
		</section>

		<section class="panel" aria-label="Next test">
			{#if test && !found}
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
				<Keypad onpress={(key: KeypadKey) => (typed = afterKey(typed, key))} onenter={enter} />
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

	.error {
		color: var(--off);
	}

	@media (max-width: 760px) {
		.split {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
