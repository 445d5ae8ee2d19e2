import Papa from 'papaparse';
import {
	guessForm,
	looksLikeEpw,
	readEpw,
	readStamp,
	readWeatherCsv,
	type Weather
} from '$core/monitoring';
import { refuse, type Result } from '$core/units';

/** Largest weather file, bytes: a year of hours has about two million. */
const LARGEST = 20 * 1024 * 1024;

/** An hourly weather file, EPW or CSV. */
export async function readWeather(file: File): Promise<Result<Weather, string>> {
	if (file.size > LARGEST)
		return refuse('The file is larger than 20 MB. Choose one year of hours.');
	const text = (await file.text()).replace(/^\uFEFF/, '');
	if (text.includes('\u0000')) return refuse('This is not a text file. Choose an EPW or CSV file.');
	const { data } = Papa.parse<string[]>(text, { skipEmptyLines: true });
	if (looksLikeEpw(data)) return readEpw(data);
	const guess = guessForm(data.slice(1, 200).map((row) => row[0] ?? ''));
	if (!guess) {
		return refuse(
			'The first column does not hold times that can be read, such as 2025-03-12 14:00.'
		);
	}
	return readWeatherCsv(data, (stamp) => {
		const read = readStamp(stamp, guess.form);
		return read && read.clock - (read.offset ?? 0);
	});
}
