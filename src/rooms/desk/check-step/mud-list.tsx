"use client";

import { useState, type ReactNode } from "react";
import { screenColourOfLab, type Lab } from "@/core/colour";
import { waterWords } from "@/core/optics";
import type { PaintingArea } from "@/model/painting";
import { JudgingPair } from "@/ui/judging-pair";
import { RecipeBar } from "@/ui/recipe-bar";
import { listed } from "@/model/text";
import { useDesk } from "../desk-store";
import { namedParts, usePaints, usePaper } from "../paints";
import { causeWords, wayOutWords } from "./words";
import { concerns, useWarnings, type Warning } from "./warnings";

/** So many warnings stand unasked, the worst first. */
const SHOWN = 5;
const BAR_WIDTH = 264;

/** Two washes and the dullest colour between them, as they run into each other. */
function Meeting({ from, between, to, label }: { from: Lab; between: Lab; to: Lab; label: string }) {
  return (
    <div role="img" aria-label={label} title={label} className="flex h-[62px] w-[92px] shrink-0">
      {[from, between, to].map((lab, i) => (
        <span key={i} className="h-full w-1/3" style={{ background: screenColourOfLab(lab).hex }} />
      ))}
    </div>
  );
}

interface CardProps {
  readonly warning: Warning;
  readonly picture: ReactNode;
  readonly title: string;
  readonly meant: boolean;
  readonly children: ReactNode;
  /** Does what puts it right. */
  readonly action?: { readonly words: string; readonly label: string; readonly act: () => void };
}

function Card({ warning, picture, title, meant, children, action }: CardProps) {
  const changeStudy = useDesk((s) => s.changeStudy);
  const all = useDesk((s) => s.document.study.meant);
  return (
    <li className="border-t border-(--hairline) py-3" aria-label={title}>
      <div className="flex gap-4">
        <div className="w-[92px] shrink-0">{picture}</div>
        <div className="min-w-0 flex-1 space-y-1.5">
          <p className="leading-snug font-semibold">{title}</p>
          {children}
          <div className="flex flex-wrap gap-1.5">
            {action && !meant && (
              <button type="button" className="btn btn-outline btn-sm" aria-label={action.label} onClick={action.act}>
                {action.words}
              </button>
            )}
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              aria-label={meant ? `Warn again: ${title}` : `It is meant so: ${title}`}
              onClick={() =>
                changeStudy({ meant: meant ? all.filter((key) => key !== warning.key) : [...all, warning.key] })
              }
            >
              {meant ? "Warn again" : "It is meant so"}
            </button>
          </div>
        </div>
      </div>
    </li>
  );
}

function MixCard({ warning, meant }: { warning: Extract<Warning, { kind: "mix" }>; meant: boolean }) {
  const paints = usePaints();
  const paper = usePaper();
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const { colour, mud } = warning;
  const nameOf = (id: string): string => paints.get(id)?.name ?? "paint";
  const { wayOut } = mud;
  const recipe = wayOut && {
    parts: wayOut.mix.map(({ paint, parts }) => ({ paintId: paint.id, parts })),
    waterParts: wayOut.waterParts,
  };
  const parts = recipe && namedParts(recipe, paints);
  const palette = useDesk((s) => s.document.palette);
  const says = wayOutWords(mud, colour.laid!.chroma, (id) =>
    palette.includes(id) ? nameOf(id) : `${nameOf(id)} from the box`,
  );
  return (
    <Card
      warning={warning}
      meant={meant}
      title={`${colour.name} comes out greyer by ${mud.lost.toFixed(0)}`}
      picture={<JudgingPair wanted={colour.lab} mix={colour.laid!.dry} className="h-[62px] w-[92px]" />}
      action={
        recipe && parts
          ? {
              words: "Use this",
              label: `Use ${parts.map(({ name }) => name).join(", ")} for ${colour.name}`,
              act: () => chooseRecipes(new Map([[colour.id, recipe]])),
            }
          : undefined
      }
    >
      <p className="leading-snug">{causeWords(mud, nameOf(mud.paint.id))}</p>
      {parts && wayOut && (
        <div className="space-y-1">
          <RecipeBar parts={parts} paper={paper} width={BAR_WIDTH} />
          <p className="quiet text-[0.93rem]">{waterWords(wayOut.waterParts)}</p>
        </div>
      )}
      <p className="text-[0.93rem] leading-snug">{says}</p>
      {colour.laid!.mix.length === 2 && (
        <p className="quiet text-[0.93rem] leading-snug">
          Or let the two run into each other on the sheet, not in the well: both stay alive there.
        </p>
      )}
    </Card>
  );
}

function MeetingCard({ warning, meant }: { warning: Extract<Warning, { kind: "meeting" }>; meant: boolean }) {
  const changeArea = useDesk((s) => s.changeArea);
  const { one, two, mud } = warning;
  return (
    <Card
      warning={warning}
      meant={meant}
      title={`${one.name} and ${two.name} meet in a grey`}
      picture={
        <Meeting
          from={one.laid!.dry}
          between={mud.dullest}
          to={two.laid!.dry}
          label={`${one.name}, the dullest between them, ${two.name}`}
        />
      }
      action={{
        words: "Let one dry first",
        label: `Let one dry first: ${one.name} and ${two.name}`,
        act: () => changeArea(one.areaId, { edge: "hard" }),
      }}
    >
      <p className="text-[0.93rem] leading-snug">
        Wet in wet, their colours are opposite: what lies between loses {mud.lost.toFixed(0)} of chroma. With a hard
        edge to {one.name} they stay apart.
      </p>
    </Card>
  );
}

function WarningCard({ warning, meant }: { warning: Warning; meant: boolean }) {
  const areas = useDesk((s) => s.document.areas);
  if (warning.kind === "mix") return <MixCard warning={warning} meant={meant} />;
  if (warning.kind === "meeting") return <MeetingCard warning={warning} meant={meant} />;
  if (warning.kind === "lifting") {
    const [one] = warning.over;
    const under = new Set(warning.over.map(({ first }) => first.areaId));
    const names = areas.filter(({ id }) => under.has(id)).map(({ name }) => name);
    return (
      <Card
        warning={warning}
        meant={meant}
        title="First washes that lift"
        picture={
          <JudgingPair
            wanted={one!.first.laid!.dry}
            mix={one!.colour.laid!.dry}
            names={["the first wash", "the second over it"]}
            className="h-[62px] w-[92px]"
          />
        }
      >
        <p className="text-[0.93rem] leading-snug">
          {listed(names)}: these paints stain little, and come up under a brush. Let the first wash dry through, and go
          over it once, with a full brush.
        </p>
      </Card>
    );
  }
  return (
    <Card
      warning={warning}
      meant={meant}
      title="Clean tints want clean water"
      picture={
        <JudgingPair
          wanted={warning.clean.laid!.dry}
          mix={warning.dark.laid!.dry}
          names={["a clean tint", "a dark"]}
          className="h-[62px] w-[92px]"
        />
      }
    >
      <p className="text-[0.93rem] leading-snug">
        Mix {warning.clean.name} before {warning.dark.name}, or change the water and wipe the well between them.
      </p>
    </Card>
  );
}

/** What would go dull in the whole painting, or in one area: the worst first, each with its way out. */
export function MudList({ area }: { area: PaintingArea | null }) {
  const found = useWarnings();
  const overruled = useDesk((s) => s.document.study.meant);
  const [all, setAll] = useState(false);
  const warnings = area ? found.filter((warning) => concerns(warning, area.id)) : found;
  const open = warnings.filter(({ key }) => !overruled.includes(key));
  const meant = warnings.filter(({ key }) => overruled.includes(key));
  const shown = all ? open : open.slice(0, SHOWN);
  return (
    <section aria-label="Mud">
      <p className="quiet leading-snug">
        A grey that is wanted is no mud. This is what would lose colour that you want: in a mix, where two washes meet,
        and over a wash that lifts.
      </p>
      {open.length === 0 ? (
        <p className="mt-3 leading-snug">
          {area ? "Nothing goes dull here" : "Nothing goes dull in this plan"}, as it is mixed now.
        </p>
      ) : (
        <ul aria-label="What would go dull" className="mt-3">
          {shown.map((warning) => (
            <WarningCard key={warning.key} warning={warning} meant={false} />
          ))}
        </ul>
      )}
      {open.length > shown.length && (
        <button type="button" className="btn btn-ghost btn-sm mt-1" onClick={() => setAll(true)}>
          {open.length - shown.length} more, less grave
        </button>
      )}
      {meant.length > 0 && (
        <section aria-label="Meant so" className="mt-5">
          <h3 className="font-semibold">Meant so</h3>
          <ul aria-label="Warnings that are overruled" className="mt-1">
            {meant.map((warning) => (
              <WarningCard key={warning.key} warning={warning} meant />
            ))}
          </ul>
        </section>
      )}
    </section>
  );
}
