/** What nobody can do, and what the hand cannot tell: all thresholds of doubt, each with its reason. */

/** Fastest pace over any distance, in ms for each metre: quicker than any 100 m ever run on foot. */
export const FASTEST_MS_PER_M = 95

/** Two full movements, down and up, are further apart: at three a second nobody goes through the whole way. */
export const SOONEST_REPETITION_MS = 300

/** A load is not set down, changed or taken anew in less; two presses this near are one lift. */
export const ONE_LIFT_MS = 1_000

/** The press that ended a stage, a segment or a crossing may come twice; the next one takes at least a breath. */
export const BREATH_MS = 1_000

/** Stamps of different devices that are this near are of the same crossing: nobody runs a lap in less. */
export const SAME_CROSSING_MS = 5_000

/** A longer gap between two repetitions than this parts two sets. */
export const SET_GAP_MS = 4_000
