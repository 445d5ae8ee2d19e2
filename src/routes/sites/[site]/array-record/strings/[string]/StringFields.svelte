<script lang="ts">
	import { cableResistanceOfForm, type StringForm } from '$core/document';
	import { type ArrayRecord, BLOCKING_WORDS, PART_NAMES, type PartKind } from '$core/record';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { useSpeak } from '$lib/messages/speak-context';
	import { inSentence } from '$core/units';

	const speak = useSpeak();

	interface Props {
		form: StringForm;
		errors: Partial<Record<keyof StringForm, string[]>>;
		record: ArrayRecord;
	}
	let { form = $bindable(), errors, record }: Props = $props();

	const measured = $derived(form.cableLength.trim() !== '' && form.cableSize.trim() !== '');
	const resistance = $derived(measured ? cableResistanceOfForm(form) : null);
	const deviceKind = $derived<PartKind | null>(
		form.devices === 'rapid-shutdown'
			? 'rapid-shutdown-device'
			: form.devices === 'optimiser' || form.devices === 'micro-inverter'
				? form.devices
				: null
	);
	const LEADS_TO: readonly PartKind[] = [
		'combiner',
		'dc-disconnect',
		'conductor',
		'inverter',
		'charge-controller',
		'ac-disconnect',
		'breaker'
	];
	const inputs = $derived(
		record.parts.flatMap((part) =>
			'inputs' in part.specs && part.specs.inputs
				? part.specs.inputs.split(',').map((name) => name.trim())
				: []
		)
	);
</script>

<Choice
	label="Module type"
	name="moduleTypeId"
	bind:value={form.moduleTypeId}
	errors={errors.moduleTypeId}
	options={record.moduleTypes.map((type) => ({
		value: type.id,
		words: `${type.name}, ${type.plate.pmax} W`
	}))}
/>
<Field
	label="Modules in the string"
	name="moduleCount"
	bind:value={form.moduleCount}
	errors={errors.moduleCount}
	figures
/>
<Choice
	label="String fuse"
	name="fuse"
	bind:value={form.fuse}
	options={[
		{ value: 'unknown', words: 'Not looked at yet' },
		{ value: 'none', words: 'None' },
		{ value: 'rated', words: 'Yes, rating below' },
		{ value: 'unrated', words: 'Yes, rating unknown' }
	]}
/>
{#if form.fuse === 'rated'}
	<Field
		label="Fuse rating"
		name="fuseRating"
		bind:value={form.fuseRating}
		errors={errors.fuseRating}
		unit="A"
		figures
	/>
{/if}
<Field
	label="Inverter input"
	name="input"
	bind:value={form.input}
	errors={errors.input}
	list="inputs"
	help="Strings of one input run in parallel; empty if not known yet"
/>
<datalist id="inputs"
	>{#each inputs as input (input)}<option value={input}></option>{/each}</datalist
>
<Choice
	label="Its leads go to"
	name="to"
	bind:value={form.to}
	options={[
		{ value: '', words: 'Not known yet' },
		...record.parts
			.filter(({ kind }) => LEADS_TO.includes(kind))
			.map((part) => ({
				value: part.id,
				words: `${part.mark} (${inSentence(speak(PART_NAMES[part.kind]))})`
			}))
	]}
/>
<Field
	label="Cable, one way"
	name="cableLength"
	bind:value={form.cableLength}
	errors={errors.cableLength}
	unit="m"
	figures
	help="With its size, the ohms follow (copper at 40 °C)"
/>
<Field
	label="Cable size"
	name="cableSize"
	bind:value={form.cableSize}
	errors={errors.cableSize}
	unit="mm²"
	figures
/>
{#if measured}
	<Choice
		label="Conductor"
		name="cableConductor"
		bind:value={form.cableConductor}
		options={[
			{ value: 'pvCable', words: 'PV cable (tinned, class 5)' },
			{ value: 'copper', words: 'Plain copper' }
		]}
	/>
	<p class="ohms">Cable, both ways: <strong class="figure">{resistance ?? '?'} ohm</strong></p>
{:else}
	<Field
		label="Cable, both ways"
		name="cableResistance"
		bind:value={form.cableResistance}
		errors={errors.cableResistance}
		unit="ohm"
		figures
		help="100 m of 4 mm² copper is 0.43 ohm"
	/>
{/if}
<Choice
	label="Blocking diode"
	name="blockingDiode"
	bind:value={form.blockingDiode}
	options={(['unknown', 'none', 'silicon', 'schottky'] as const).map((value) => ({
		value,
		words: value === 'unknown' ? 'Not looked at yet' : BLOCKING_WORDS[value]
	}))}
	words="In the string’s lead, not the bypass diode in the junction box"
/>
<Choice
	label="Behind the modules"
	name="devices"
	bind:value={form.devices}
	options={[
		{ value: 'unknown', words: 'Not looked at yet' },
		{ value: 'none', words: 'Nothing but the junction box' },
		{ value: 'rapid-shutdown', words: 'Rapid-shutdown devices' },
		{ value: 'optimiser', words: 'Optimisers' },
		{ value: 'micro-inverter', words: 'Micro-inverters' }
	]}
/>
{#if deviceKind}
	<Choice
		label="Modules per device"
		name="modulesPerDevice"
		bind:value={form.modulesPerDevice}
		options={[
			{ value: '1', words: 'One' },
			{ value: '2', words: 'Two, joined in series' }
		]}
	/>
	<Choice
		label="Device type"
		name="devicePart"
		bind:value={form.devicePart}
		options={[
			{ value: '', words: 'Not known yet' },
			...record.parts
				.filter(({ kind }) => kind === deviceKind)
				.map((part) => ({ value: part.id, words: part.mark }))
		]}
	/>
{/if}
<Field
	label="Make of connectors"
	name="connectors"
	bind:value={form.connectors}
	errors={errors.connectors}
	help="As moulded into them; mixed makes burn"
/>

<style>
	.ohms {
		align-self: center;
	}
</style>
