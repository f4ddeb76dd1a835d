/** What the visits of a vehicle say together: trends, when a limit will be reached, and whether it will start in winter. */
export { kindBands } from './kind-bands';
export type { KindBand } from './kind-bands';
export { measuresOfVisit } from './measures';
export type { Measure, VisitMeasures } from './measures';
export { projectFall } from './project';
export type { DatedFigure, Projection } from './project';
export { SERIES, SERIES_NAMES } from './series';
export type { Series, SeriesName, SeriesUnit } from './series';
export { USUAL_TRIPS, shortTrips } from './short-trips';
export type { ShortTrips, TripAssumptions } from './short-trips';
export { trendsOf } from './trend';
export type { FittedBattery, Trend, TrendPoint, TrendVisit, VehicleTrends } from './trend';
export { FORECAST_CELSIUS, willItStart } from './will-it-start';
export { FIRES_FROM_RPM } from '../circuit/model/cranking-circuit';
export type { Change, Forecast, ForecastPoint } from './will-it-start';
