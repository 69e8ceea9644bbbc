import Link from "next/link";
import { RoomHeader } from "@/ui/room-header";

interface Leg {
  readonly title: string;
  readonly says: readonly string[];
  readonly picture?: { readonly name: string; readonly shows: string };
}

/** The way through a painting, a leg for each step of the desk. Pictures: scripts/screenshots.ts. */
const LEGS: readonly Leg[] = [
  {
    title: "Look before you mix",
    says: [
      "“Your photo” brings a picture of your own; the demo has one already. Lay the sheet over the part that you paint.",
      "Press 2: the photo in a few greys. If it holds together like this, it will in colour. Press 1 to see it as it is.",
    ],
    picture: { name: "values", shows: "The demo's photo in five values, the step Photo beside it" },
  },
  {
    title: "Shapes, not things",
    says: [
      "In the step Areas, “Propose shapes”, then “Take all”. Few big shapes are easier to paint than many small ones.",
      "Each shape says how it is laid: flat, graded, varied, or in two layers. Change what you would do otherwise.",
    ],
    picture: { name: "areas", shows: "Shapes proposed for the demo's photo, with their shares of the sheet" },
  },
  {
    title: "What you own",
    says: [
      "In the paintbox, “Many at once” ticks your paints off the handbook, or reads a pasted list.",
      "What is known of a paint by its label alone is typical. Two washes of it, painted and measured, are surer.",
    ],
    picture: { name: "paint", shows: "A paint of the box from masstone to tint, with what is known of it" },
  },
  {
    title: "The few paints",
    says: [
      "The step Palette tries your paints on all areas and answers at once. “Lay it out” puts the answer in the tray.",
      "“Try out” says what any other paint would do; “With me” plans from one box, or from a chosen few.",
      "For several paintings one box is packed: “Pack one box”, above the pictures of your paintings.",
    ],
    picture: { name: "palette", shows: "The palette recommended for the demo, and what one more paint would buy" },
  },
  {
    title: "The puddles",
    says: [
      "The step Mixes says what to mix in which well, how strong, and how far off it comes out with a hand like yours.",
      "Open an area for other ways to mix it. Move a part or the water, and see it dry.",
    ],
    picture: { name: "recipe", shows: "The recipe of the brick wall in the sun: to paint and mixed, side by side" },
  },
  {
    title: "Before a brush is wet",
    says: [
      "The step Check says how dark each dark gets and how to come by it, what is warm beside what, and what goes dull.",
      "Look at any change in the photo first; one press takes it, and Undo takes it back.",
    ],
    picture: { name: "check", shows: "The canal's first wash made warmer at its value, looked at in the photo" },
  },
  {
    title: "The hour of painting",
    says: [
      "The step Plan says which wash comes when, what it waits for, how much to mix, and what to try on scrap first.",
      "Key 8 shows the sheet as it will look after each wash. “Paint by this plan” goes beside the easel: one wash at a time, and the space bar.",
      "What you paint goes into the Logbook, by a press or by hand. Each swatch whose dried colour is read there makes the next prediction surer.",
      "Keep paint out of the mouth and away from food; what the label and the data sheet of a paint say comes first.",
    ],
    picture: { name: "plan", shows: "The demo's plan, and the sheet as it will look beside the photo" },
  },
];

/** From photo to first wash on one page, with the demo's own pictures. */
export function Guide() {
  return (
    <>
      <RoomHeader room="Guide" />
      <main className="mx-auto max-w-5xl px-6 py-8">
        <h2 className="name-face text-3xl">From photo to first wash</h2>
        <p className="quiet mt-1 max-w-2xl leading-snug">
          Seven legs, an evening&apos;s work the first time. The demo, a pump house at last light, shows each.
        </p>
        <ol className="mt-6 space-y-10">
          {LEGS.map(({ title, says, picture }, i) => (
            <li key={title} className="grid items-center gap-x-8 gap-y-3 md:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
              <div>
                <h3 className="name-face text-2xl">
                  <span className="quiet mr-2">{i + 1}</span>
                  {title}
                </h3>
                {says.map((line) => (
                  <p key={line} className="mt-2 leading-snug">
                    {line}
                  </p>
                ))}
              </div>
              {picture && (
                <img
                  src={`/guide/${picture.name}.webp`}
                  alt={picture.shows}
                  width={960}
                  height={600}
                  loading={i === 0 ? "eager" : "lazy"}
                  className="h-auto w-full border border-(--hairline)"
                />
              )}
            </li>
          ))}
        </ol>
        <div className="mt-10 flex flex-wrap gap-3">
          <Link className="btn btn-primary" href="/">
            To the desk
          </Link>
          <Link prefetch={false} className="btn btn-outline" href="/paintbox?begin">
            Begin with my own paints
          </Link>
        </div>
      </main>
    </>
  );
}
