<script lang="ts">
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import { type FaultCode, FAULTS, type Scale } from '$core/visit';
	import type { IrradianceChange } from '$core/faults';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { parseDecimal } from '$core/units';
	import { AS_RECORDED, type Holder, type Supposed } from '$lib/ui/what-if-address';

	interface Props {
		supposed: Supposed;
		sections: number;
		/** The place the hand is at. */
		module: number;
		section: number | null;
		/** Strings on the same input. */
		peers: readonly string[];
		input: string | null;
		hasFuse: boolean;
		onchange: (supposed: Supposed) => void;
		onsection: (substring: number | null) => void;
	}
	let {
		supposed,
		sections: substrings,
		module,
		section: substring,
		peers,
		input,
		hasFuse,
		onchange,
		onsection
	}: Props = $props();

	/** Faults of a string as it is recorded, in the order in which a tester thinks of them. */
	const OFFERED: readonly FaultCode[] = [
		'bypass-diode-shorted',
		'bypass-diode-open',
		'section-open',
		'section-resistive',
		'hot-cell',
		'module-open',
		'module-shorted',
		'module-missing',
		'module-extra',
		'module-reversed',
		'module-degraded',
		'module-pid',
		'connector-open',
		'connector-resistive',
		'connector-reversed',
		'soiling',
		'fuse-blown',
		'disconnect-open',
		'earth-fault'
	];
	const HOLDER_WORDS: Readonly<Record<Holder, string>> = {
		tracker: 'An inverter at its maximum',
		volts: 'A bus held at',
		pwm: 'A battery, PWM controller',
		mppt: 'A battery, MPPT controller',
		open: 'Nothing: open circuit',
		short: 'A short circuit'
	};
	const NONE = '';

	const scale: Scale | null = $derived(supposed.fault && FAULTS[supposed.fault].scale);
	const irradiance = $derived(
		supposed.lights.findLast(
			(change) =>
				change.module === module && (change.section === null || change.section === substring)
		)?.light ?? 1
	);
	/** Wide scales are walked in decades. */
	const byDecades = $derived(scale !== null && scale.least > 0 && scale.most / scale.least > 50);
	const sizeShown = $derived(
		scale === null
			? ''
			: scale.most <= 1
				? `${Math.round(100 * supposed.size)} %`
				: `${Number(supposed.size.toPrecision(3))}`
	);
	/** What is typed, until it is volts. */
	let typedVoltage = $derived(String(supposed.volts));

	function shine(share: number) {
		const change: IrradianceChange = { module, section: substring, light: share };
		const others = supposed.lights.filter(
			(other) =>
				other.module !== module ||
				(substring !== null && other.section !== substring && other.section !== null)
		);
		// A section's own light stands over its module's; the other sections keep what they had.
		const kept =
			substring === null
				? others
				: supposed.lights.filter((other) => other.module !== module || other.section !== substring);
		onchange({ ...supposed, lights: share < 1 || substring !== null ? [...kept, change] : others });
	}

	function chooseFault(code: string) {
		const fault = code === NONE ? null : (code as FaultCode);
		const size = fault ? ((FAULTS[fault].scale as Scale | null)?.usual ?? 0) : 0;
		onchange({ ...supposed, fault, module, section: substring ?? 0, size });
	}

	function resize(position: number) {
		if (!scale) return;
		const size = byDecades
			? scale.least * (scale.most / scale.least) ** position
			: scale.least + (scale.most - scale.least) * position;
		onchange({ ...supposed, size: scale.unit === 'modules' ? Math.round(size) : size });
	}
	const position = $derived.by(() => {
		if (!scale) return 0;
		return byDecades
			? Math.log(supposed.size / scale.least) / Math.log(scale.most / scale.least)
			: (supposed.size - scale.least) / (scale.most - scale.least);
	});

	function typeVoltage(text: string) {
		typedVoltage = text;
		const parsed = parseDecimal(text);
		if (parsed.ok && parsed.value >= 0 && parsed.value <= 2000) {
			onchange({ ...supposed, volts: parsed.value });
		}
	}
	const voltageProblem = $derived.by(() => {
		const parsed = parseDecimal(typedVoltage);
		if (!parsed.ok) return [parsed.problem];
		return parsed.value < 0 || parsed.value > 2000 ? ['Give 0 to 2000 V.'] : [];
	});
	const placed = $derived(supposed.fault ? FAULTS[supposed.fault].place : null);
	const faultPlace = $derived.by(() => {
		if (placed === 'section')
			return `module ${supposed.module + 1}, section ${supposed.section + 1}`;
		if (placed === 'module') return `module ${supposed.module + 1}`;
		if (placed === 'joint') return `the joint above module ${supposed.module + 1}`;
		return 'the string';
	});
	const elsewhere = $derived(
		supposed.module !== module ||
			(placed === 'section' && substring !== null && supposed.section !== substring)
	);
</script>

<section class="panel" aria-label="What if">
	<h2>What if</h2>
	<div class="group" role="group" aria-label="Place">
		<p class="place">Module <span class="figure">{module + 1}</span></p>
		<div class="sections">
			<button type="button" aria-pressed={substring === null} onclick={() => onsection(null)}
				>whole</button
			>
			{#each { length: substrings } as _, s (s)}
				<button
					type="button"
					aria-pressed={substring === s}
					aria-label="Section {s + 1}"
					onclick={() => onsection(s)}><span class="figure">{s + 1}</span></button
				>
			{/each}
		</div>
	</div>

	<label class="slide">
		<span>Light there <span class="figure">{Math.round(100 * irradiance)} %</span></span>
		<input
			type="range"
			min="0"
			max="100"
			step="1"
			value={Math.round(100 * irradiance)}
			oninput={(event) => shine(Number(event.currentTarget.value) / 100)}
		/>
	</label>

	<Choice
		label="Fault there"
		name="fault"
		value={supposed.fault ?? NONE}
		options={[
			{ value: NONE, words: 'None' },
			...OFFERED.filter((code) => code !== 'fuse-blown' || hasFuse).map((code) => ({
				value: code,
				words: FAULTS[code].words
			}))
		]}
		onchange={(event) => chooseFault(event.currentTarget.value)}
	/>
	{#if supposed.fault}
		<p class="soft where">
			At {faultPlace}.
			{#if placed !== 'string' && elsewhere}
				<button
					type="button"
					class="move"
					onclick={() => onchange({ ...supposed, module, section: substring ?? 0 })}
					>Move it to module {module + 1}</button
				>
			{/if}
		</p>
		{#if scale}
			<label class="slide">
				<span>How much <span class="figure">{sizeShown} {scale.unit}</span></span>
				<input
					type="range"
					min="0"
					max="1"
					step="0.005"
					value={position}
					oninput={(event) => resize(Number(event.currentTarget.value))}
				/>
			</label>
		{/if}
	{/if}

	<hr />
	<Choice
		label="What holds its leads"
		name="holder"
		value={supposed.holder}
		options={Object.entries(HOLDER_WORDS).map(([value, words]) => ({ value, words }))}
		onchange={(event) => onchange({ ...supposed, holder: event.currentTarget.value as Holder })}
	/>
	{#if supposed.holder === 'volts' || supposed.holder === 'pwm' || supposed.holder === 'mppt'}
		<Field
			label={supposed.holder === 'volts' ? 'Bus' : 'Battery'}
			name="volts"
			unit="V"
			figures
			value={typedVoltage}
			errors={voltageProblem}
			oninput={(event) => typeVoltage(event.currentTarget.value)}
		/>
	{/if}
	{#if peers.length > 0}
		<label class="check">
			<input
				type="checkbox"
				checked={!supposed.alone}
				onchange={(event) => onchange({ ...supposed, alone: !event.currentTarget.checked })}
			/>
			<span>Beside {peers.join(', ')} on input {input}</span>
		</label>
	{/if}
	<button
		type="button"
		class="act-plain"
		onclick={() => onchange({ ...AS_RECORDED, volts: supposed.volts })}
	>
		<RotateCcw size={18} aria-hidden="true" /> Back to as recorded
	</button>
</section>

<style>
	section {
		padding: 0.9rem 1.1rem 1.1rem;
		display: grid;
		gap: 0.75rem;
		align-content: start;
	}

	h2 {
		font-size: 1.25rem;
	}

	.group {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 0.3rem 0.8rem;
	}

	.place {
		font-weight: 600;
	}

	.sections {
		display: flex;
	}

	.sections button {
		min-width: 44px;
		min-height: 44px;
		padding: 0 0.7rem;
		border: var(--stroke) solid var(--rule);
		margin-inline-start: calc(-1 * var(--stroke));
	}

	.sections button[aria-pressed='true'] {
		background: var(--ink);
		color: var(--paper);
		font-weight: 600;
	}

	.slide {
		display: grid;
		font-weight: 600;
	}

	.slide > span {
		display: flex;
		justify-content: space-between;
		gap: 0.5rem;
	}

	input[type='range'] {
		width: 100%;
		height: 44px;
		accent-color: var(--accent);
	}

	.where {
		margin-top: -0.45rem;
	}

	.move {
		min-height: 44px;
		color: var(--accent);
		text-decoration: underline;
		font-weight: 600;
	}

	hr {
		border: 0;
		border-top: 1px solid var(--line);
		margin: 0.1rem 0;
	}

	.check {
		display: flex;
		gap: 0.6rem;
		align-items: center;
		min-height: 44px;
	}

	.check input {
		width: 24px;
		height: 24px;
		flex: none;
		accent-color: var(--accent);
	}
</style>
