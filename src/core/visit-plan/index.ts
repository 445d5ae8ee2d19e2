export { Contraindications, type WithheldBecause, type WithheldTest } from './contraindications';
export {
	type MeasurementPoint,
	measurementPointAt,
	measurementPointsOf,
	unitsOf
} from './measurement-points';
export { itemsOf, type PlanItem, visitPlan } from './plan';
export { fusedPoles } from './wanted';
