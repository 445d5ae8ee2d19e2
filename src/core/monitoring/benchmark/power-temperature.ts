import { fitLabel, maximumPowerPoint, translate } from '../../module';
import { type ArrayRecord, typesInString } from '../../record';
import { STC_IRRADIANCE } from '../../units';

const [COOL, WARM] = [25, 50];

/**
 * What a kelvin costs of an array's power, relative, 1/K: by the model fitted to each type's label,
 * weighed by the power on the labels. Null where no type is recorded.
 */
export function powerTemperatureCoefficient(record: ArrayRecord): number | null {
	const types = record.strings.flatMap(typesInString);
	let watts = 0;
	let sum = 0;
	for (const type of record.moduleTypes) {
		const share = types.filter((id) => id === type.id).length * type.plate.pmax;
		if (share === 0) continue;
		const fit = fitLabel(type.plate);
		const power = (celsius: number) => {
			const { volts: voltage, amps: current } = maximumPowerPoint(
				translate(fit, STC_IRRADIANCE, celsius)
			);
			return voltage * current;
		};
		watts += share;
		sum += (share * (power(WARM) / power(COOL) - 1)) / (WARM - COOL);
	}
	return watts > 0 ? sum / watts : null;
}
