<script lang="ts">
	import { answerWorth, clippingPaysIn } from '$core/bench';
	import { POWER_AGEING_PER_YEAR } from '$core/expectation';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm, given } from '$lib/bench/figure-form.svelte';
	import Question from '$lib/bench/Question.svelte';

	const money = { min: 0, max: 1e6, unit: '' } as const;
	/** Degradation that is usual, % a year. */
	const RATE = String(Number((100 * POWER_AGEING_PER_YEAR).toFixed(2)));
	const VERDICT_WORDS = {
		cheaper: 'Cheaper than new, over the years that it has left.',
		dearer: 'Dearer than new, over the years that it has left.',
		'used-up': 'Below what is worth its place already.'
	} as const;
	const form = new FigureForm({
		label: { min: 1, max: 2000, unit: 'W', words: 'Nameplate power', first: '225' },
		share: { min: 1, max: 120, unit: '%', words: 'As tested, of nameplate', first: '88' },
		price: { ...money, words: 'Price of one', first: '35' },
		newLabel: { min: 1, max: 2000, unit: 'W', words: 'New, nameplate power', first: '430' },
		newPrice: { ...money, words: 'Price of a new one', first: '110' },
		pallet: { ...money, words: 'Shipping of a pallet', first: '180', optional: true },
		onPallet: { min: 1, max: 200, unit: '', whole: true, words: 'Modules on it', first: '26' },
		ageing: {
			min: 0.05,
			max: 10,
			unit: '%',
			words: 'Yearly degradation, used',
			first: RATE
		},
		newAgeing: { min: 0.05, max: 10, unit: '%', words: 'Yearly degradation, new', first: RATE },
		discount: { min: 0, max: 30, unit: '%', words: 'Yearly discount rate', first: '5' },
		least: { min: 5, max: 100, unit: '%', words: 'Worth its place down to', first: '60' },
		clipped: { min: 0, max: 1e6, unit: 'kWh', words: 'Clipped a year', first: '', optional: true },
		kWh: { ...money, words: 'Price of a kWh', first: '', optional: true },
		dearer: { ...money, words: 'Larger inverter, dearer by', first: '', optional: true }
	});
	const worked = $derived.by(() => {
		const f = form.figures;
		if (!f) return null;
		const pallet = given(f.pallet);
		const clipping = [f.clipped, f.kWh, f.dearer].every((value) => given(value) !== null);
		return {
			f,
			answer: answerWorth({
				price: f.price,
				newPrice: f.newPrice,
				label: f.label,
				newLabel: f.newLabel,
				share: f.share / 100,
				pallet: pallet === null ? null : { price: pallet, modules: f.onPallet },
				ageing: f.ageing / 100,
				newAgeing: f.newAgeing / 100,
				discount: f.discount / 100,
				least: f.least / 100
			}),
			clipping: clipping
				? { years: clippingPaysIn({ kWhAYear: f.clipped, price: f.kWh, dearerBy: f.dearer }) }
				: null
		};
	});
	const cents = (value: number) => value.toFixed(3);
	const fine = (value: number) => value.toFixed(4);
</script>

<Question
	title="What it is worth"
	lead="A used module beside a new one, by the watt and by the watt for a year that it has left; in any one currency."
>
	{#snippet asked()}
		<h2>The used one</h2>
		<FigureFields
			{form}
			keys={['label', 'share', 'price', 'pallet', 'onPallet', 'ageing', 'least']}
		/>
		<h2>Beside a new one</h2>
		<FigureFields {form} keys={['newLabel', 'newPrice', 'newAgeing', 'discount']} />
		<h2>Clipping</h2>
		<FigureFields {form} keys={['clipped', 'kWh', 'dearer']} />
	{/snippet}
	{#snippet answer()}
		{#if worked}
			{@const { answer, clipping } = worked}
			<p
				class="notice"
				data-worth={answer.verdict}
				data-kind={answer.verdict === 'cheaper' ? 'done' : 'warn'}
			>
				<strong>{VERDICT_WORDS[answer.verdict]}</strong>
				{#if answer.cheapTodayOnly}By the watt of today it is cheaper, but it has fewer years left.{/if}
			</p>
			<dl class="facts">
				<dt>With its share of the pallet</dt>
				<dd class="figure">{answer.landed.toFixed(2)}</dd>
				<dt>Per nameplate watt</dt>
				<dd class="figure">{cents(answer.perLabelWatt)}</dd>
				<dt>Per watt as tested</dt>
				<dd class="figure">{cents(answer.perTestedWatt)}</dd>
				<dt>Per watt, new</dt>
				<dd class="figure">{cents(answer.newPerWatt)}</dd>
				<dt>Years until it is no longer worth its place</dt>
				<dd class="figure">{answer.yearsLeft.toFixed(0)}</dd>
				{#if answer.perWattYear !== null}
					<dt>A watt for a year, over those years (25 at most), discounted</dt>
					<dd class="figure">{fine(answer.perWattYear)}</dd>
				{/if}
				<dt>A new watt for a year, over 25 years, discounted</dt>
				<dd class="figure">{fine(answer.newPerWattYear)}</dd>
				<dt>Price at which both are the same</dt>
				<dd class="figure">{answer.fairPrice.toFixed(2)}</dd>
			</dl>
			{#if clipping}
				<h2>Clipping against a larger inverter</h2>
				<p>
					{clipping.years === null
						? 'Nothing is lost, so nothing pays.'
						: `What is clipped pays for the larger one in ${clipping.years.toFixed(1)} years. Clipping costs money; it is not a fault.`}
				</p>
			{/if}
		{:else}
			<p class="soft">Fill in the figures on the left.</p>
		{/if}
	{/snippet}
</Question>
