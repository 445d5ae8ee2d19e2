<script lang="ts">
	import PageHead from '$lib/ui/PageHead.svelte';
	import { resolve } from '$app/paths';
	import { dcAcRatio, labelPower, moduleCount, unknownsOf } from '$core/record';
	import { partNamesFor } from '$lib/messages/text';
	import { useRecord } from '$lib/session/record-session.svelte';
	import { kilowatts } from '$lib/text/format';
	import ModuleTypes from './ModuleTypes.svelte';
	import PartRows from './PartRows.svelte';
	import SiteFacts from './SiteFacts.svelte';
	import StringRows from './StringRows.svelte';
	import SurveyList from './SurveyList.svelte';

	let { data } = $props();
	const session = useRecord();
	const record = $derived(session.record);
	const unknowns = $derived(unknownsOf(record, partNamesFor(record.rules)));
	const ratio = $derived(dcAcRatio(record));
</script>

<svelte:head><title>Record · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<PageHead
		facts={[
			{ words: 'modules', figure: moduleCount(record) },
			{ words: 'rated power', figure: kilowatts(labelPower(record)) },
			{ words: 'DC to AC ratio', figure: ratio === null ? 'unknown' : ratio.toFixed(2) },
			{ words: 'unknown', figure: unknowns.length }
		]}
	>
		<h1>Array record</h1>
		<p class="soft">
			Revision {session.number}. Each visit keeps the revision it was made with.
		</p>
	</PageHead>

	{#if record.moduleTypes.length === 0 && record.strings.length === 0}
		<div class="panel first">
			<h2>Start with a look around</h2>
			<p>
				Count rows and modules, read one label, see what hangs behind the modules. Two minutes, and
				every reading has something to be compared with.
			</p>
			<p>
				<a class="act" href={resolve('/sites/[site]/survey', { site: data.site.id })}
					>Quick survey</a
				>
			</p>
		</div>
	{/if}

	<div class="columns">
		<div>
			<ModuleTypes site={data.site.id} {record} />
			<StringRows site={data.site.id} {session} />
			<PartRows site={data.site.id} {session} />
			<SiteFacts {session} />
		</div>
		<SurveyList site={data.site.id} {unknowns} {record} />
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.first {
		display: grid;
		gap: 0.6rem;
		padding: 1.2rem 1.5rem;
		margin-top: 1.2rem;
	}

	.columns {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 21rem;
		gap: 2.2rem;
		align-items: start;
	}

	@media (max-width: 1000px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
			gap: 0;
		}
	}
</style>
