/** Who takes contents in holds this lock, so that nobody sweeps them away before a file names them. */
export const INTAKE_LOCK = 'heathmoor-intake';
