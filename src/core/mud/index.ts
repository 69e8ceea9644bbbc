/** What goes dull, before a brush is wet: mixes, and washes that meet. */
export { meetingMud, type MeetingMud } from "./meetings";
export { mixMud, type MixMud, type MudCause, type WayOut } from "./mixes";
