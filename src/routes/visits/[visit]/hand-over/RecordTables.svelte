<script lang="ts">
	import { fuseWords } from '$core/record/difference';
	import { labelPower } from '$core/record/label-power';
	import type { ArrayRecord } from '$core/record/record';
	import { kilowatts } from '$lib/ui/words';

	let { record }: { record: ArrayRecord } = $props();
	const typeOf = $derived((id: string) => record.moduleTypes.find((type) => type.id === id));
	const used = $derived(
		record.moduleTypes.filter((type) => record.strings.some((s) => s.moduleTypeId === type.id))
	);
</script>

<table>
	<thead>
		<tr>
			<th>String</th><th class="num">Modules</th><th>Module type</th>
			<th class="num">Cable, ohm</th><th class="num">Fuse</th><th>Input</th>
		</tr>
	</thead>
	<tbody>
		{#each record.strings as string (string.id)}
			<tr>
				<td class="figure">{string.label}</td>
				<td class="num figure">{string.moduleCount}</td>
				<td>{typeOf(string.moduleTypeId)?.name}</td>
				<td class="num figure">{string.cableResistance}</td>
				<td class="num figure">{fuseWords(string.fuse)}</td>
				<td>{string.input ?? 'unknown'}</td>
			</tr>
		{/each}
	</tbody>
</table>
<table>
	<thead
		><tr
			><th>Module type</th><th class="num">Pmax</th><th class="num">Vmp</th><th class="num">Imp</th
			><th class="num">Voc</th><th class="num">Isc</th><th class="num">cells</th><th class="num"
				>%/K Isc</th
			><th class="num">%/K Voc</th></tr
		></thead
	>
	<tbody>
		{#each used as { id, name, plate } (id)}
			<tr>
				<td>{name}</td>
				<td class="num figure">{plate.pmax}</td><td class="num figure">{plate.vmp}</td><td
					class="num figure">{plate.imp}</td
				>
				<td class="num figure">{plate.voc}</td><td class="num figure">{plate.isc}</td><td
					class="num figure">{plate.cellsInSeries}</td
				>
				<td class="num figure">{plate.alphaIscPctPerK?.toFixed(3) ?? 'not stated'}</td><td
					class="num figure">{plate.betaVocPctPerK?.toFixed(3) ?? 'not stated'}</td
				>
			</tr>
		{/each}
	</tbody>
</table>
<p class="soft">
	Label power {kilowatts(labelPower(record))}; in service since {record.inServiceSince ??
		'unknown'}.
</p>
