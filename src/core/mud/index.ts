/** What goes dull, before a brush is wet: mixes, washes that meet, and paints that do not agree. */
export { agreementOf, agreementsOf, type Agreement, type Verdict } from "./agreement";
export { meetingMud, type MeetingMud } from "./meetings";
export { mixMud, type MixMud } from "./mixes";
