/**
 * The version of the rules of judging, kept and signed with each verdict. It goes up whenever the same captures can come to
 * another mark, trace or outcome than before. A day signed under an older one stays as it was signed.
 *
 * 1: until November 2026; what was signed then names none.
 * 2: means and estimates exact until the rule rounds; limits and longest pauses end an event; shuttles counted by the schedule; pounds and
 * inches compared in themselves; the one order of outcomes, with "took part"; what several devices saw counted once.
 */
export const JUDGE_VERSION = 2
