/**
 * The version of the rules of judging, kept and signed with each verdict. It goes up whenever the same captures can come to
 * another mark, trace or outcome than before. A day signed under an older one stays as it was signed.
 *
 * 1: until November 2026; what was signed then names none.
 * 2: means and estimates exact until the rule rounds; limits and longest pauses end an event; shuttles counted by the schedule; pounds and
 * inches compared in themselves; the one order of outcomes, with "took part"; what several devices saw counted once.
 * 3: the referee of each kind: what is due by time happens as of the moment of signing, one device's count stands with the others beside
 * it, stages of fixed time close by themselves, the time between two stamps is that of the device's own clock; doubts stand on the mark, and
 * why figures end an event is a code with its figures.
 */
export const JUDGE_VERSION = 3
