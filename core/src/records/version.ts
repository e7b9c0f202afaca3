/** Version of what is stored and of the backup's form: the one place that says it. */
export const SCHEMA = 8;
