/** Name of the database with the demo that every test file gets a copy of. */
export const TEMPLATE = 'able_gauge_e2e_template'
