/** What client and server say to each other: request bodies as class-validator classes, answers as views. */
export { checkBody } from './check-body';
export type { BodyResult } from './check-body';
export { JOB_STATUSES, JobChanges } from './job-changes';
export type { JobStatus } from './job-changes';
export { JobVehicle, NewJob } from './new-job';
export { NewObservation, NewReading, VoidReading } from './new-reading';
export type { FloorRow, JobView, Problem, ShopView, VehicleView } from './views';
