"use client";

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  TouchSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { GripVertical, TriangleAlert } from "lucide-react";
import { useMemo } from "react";
import { screenColourOfLab } from "@/core/colour";
import type { BrokenRule, PaintingPlan, TimedWash } from "@/core/planning";
import { listed } from "@/model/text";
import { satWashes } from "@/model/plan";
import { useDesk } from "../desk-store";
import { colourOf } from "../mixed";
import { usePlan } from "./use-plan";
import { useWashNames, type WashNames } from "./wash-names";
import { clockWords, minutesWords, TASK_WORDS, WHY_WORDS } from "./words";

/** What a broken rule is told as, beside the wash that comes too early. */
function brokenWords({ first, then, why, between }: BrokenRule, at: string, { nameOf }: WashNames): string {
  if (between) return `${nameOf(first)} and ${nameOf(then)} are parted: ${WHY_WORDS[why]}.`;
  return at === then
    ? `Comes before ${nameOf(first)}: ${WHY_WORDS[why]}.`
    : `Comes after ${nameOf(then)}: ${WHY_WORDS[why]}.`;
}

/** One wash at its time, to be dragged by its grip. */
function WashRow({
  wash,
  names,
  broken,
  plan,
}: {
  wash: TimedWash;
  names: WashNames;
  broken: readonly BrokenRule[];
  plan: PaintingPlan;
}) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: wash.key,
  });
  const select = useDesk((s) => s.select);
  const showAfter = useDesk((s) => s.showAfter);
  const { nameOf, areaNames, markOf, coloursOf } = names;
  const place = plan.washes.indexOf(wash) + 1;
  const done = satWashes(useDesk((s) => s.document.plan)).get(wash.key)?.as;
  const softened = plan.rules.some(({ soften, then }) => soften && then === wash.key);
  const says = [
    wash.withBefore && wash.task !== "drop" ? "wet with the one before" : TASK_WORDS[wash.task],
    `${minutesWords(wash.minutes)}`,
    ...(wash.dryMinutes > 0 && wash.task !== "drop" ? [`dry ${minutesWords(wash.dryMinutes)} later`] : []),
  ];
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      className={`bg-base-100 ${isDragging ? "relative z-10 outline outline-1 outline-(--hairline)" : ""} ${wash.withBefore ? "" : "border-t border-(--hairline)"}`}
    >
      {wash.waits >= 0.5 && (
        <p className="quiet py-1 pl-13 text-[0.87rem]">wait {minutesWords(wash.waits)}: nothing else can be laid</p>
      )}
      <div className={`flex items-center gap-2 ${wash.withBefore ? "pl-4" : ""}`}>
        <button
          type="button"
          ref={setActivatorNodeRef}
          {...attributes}
          {...listeners}
          aria-label={`Move ${nameOf(wash.key)}`}
          title="Drag it, or press the space bar and then the arrows"
          className="grid h-11 w-8 shrink-0 cursor-grab touch-none place-items-center text-(--quiet) hover:bg-base-200"
        >
          <GripVertical size={16} aria-hidden />
        </button>
        <button
          type="button"
          className="flex min-w-0 flex-1 cursor-pointer items-center gap-3 py-1.5 text-left hover:bg-base-200"
          aria-label={`${nameOf(wash.key)}, ${TASK_WORDS[wash.task]}`}
          onClick={() => {
            select(wash.areaId);
            showAfter(place);
          }}
        >
          <span aria-hidden className="flex h-9 w-12 shrink-0 overflow-hidden">
            {coloursOf(wash).map((colour) => (
              <span
                key={colour.id}
                className="flex-1"
                style={{ background: screenColourOfLab(colourOf(colour)).hex }}
              />
            ))}
            {wash.colourIds.length === 0 && <span className="flex-1 border border-dashed border-(--hairline)" />}
          </span>
          <span className="min-w-0 flex-1 leading-snug">
            <span className="name-face block truncate text-[1.05rem]">
              <span className="quiet mr-1.5 text-[0.87rem]">{markOf(wash.key)}</span>
              {nameOf(wash.key)}
              {done && <span className="quiet text-[0.87rem]"> · {done}</span>}
            </span>
            <span className="quiet block text-[0.9rem]">{says.join(", ")}</span>
          </span>
          <span className="quiet w-10 shrink-0 pr-1 text-right text-[0.9rem]">{clockWords(wash.start)}</span>
        </button>
      </div>
      {broken.map((rule) => (
        <p
          key={`${rule.first} ${rule.then} ${rule.why}`}
          className="flex gap-1.5 pb-1.5 pl-10 text-[0.9rem] leading-snug text-warning"
        >
          <TriangleAlert size={15} aria-hidden className="mt-0.5 shrink-0" />
          {brokenWords(rule, wash.key, names)}
        </p>
      ))}
      {(softened || wash.hairlines.length > 0 || wash.handOver !== null) && (
        <p className="quiet pb-1.5 pl-10 text-[0.9rem] leading-snug">
          {softened && "Its edge is soft, but both can't be wet at once: soften it with a clean damp brush. "}
          {wash.hairlines.length > 0 && `A hairline of dry paper to ${listed(areaNames(wash.hairlines))}. `}
          {wash.handOver !== null && `Mind the hand: ${nameOf(wash.handOver)} is still wet beside it.`}
        </p>
      )}
    </li>
  );
}

/** The washes in their order, to be dragged; what an order breaks is told where it breaks. */
export function OrderList() {
  const { plan } = usePlan();
  const names = useWashNames();
  const changePlan = useDesk((s) => s.changePlan);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const keys = useMemo(() => plan.washes.map(({ key }) => key), [plan]);
  const move = (from: string, to: string): void =>
    changePlan({ order: arrayMove(keys, keys.indexOf(from), keys.indexOf(to)) });
  /** Each broken rule stands once: at whichever of its two washes comes first. */
  const brokenAt = (key: string): readonly BrokenRule[] =>
    plan.broken.filter(({ first, then }) => key === (keys.indexOf(first) < keys.indexOf(then) ? first : then));
  return (
    <DndContext
      id="washes"
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => `${names.nameOf(String(active.id))} is taken up.`,
          onDragOver: ({ active, over }) =>
            over ? `${names.nameOf(String(active.id))} stands at ${names.nameOf(String(over.id))}.` : undefined,
          onDragEnd: ({ active }) => `${names.nameOf(String(active.id))} is put down.`,
          onDragCancel: ({ active }) => `${names.nameOf(String(active.id))} stays where it was.`,
        },
      }}
      onDragEnd={({ active, over }) => {
        if (over && active.id !== over.id) move(String(active.id), String(over.id));
      }}
    >
      <SortableContext items={keys} strategy={verticalListSortingStrategy}>
        <ol aria-label="Washes in order" className="border-b border-(--hairline)">
          {plan.washes.map((wash) => (
            <WashRow key={wash.key} wash={wash} names={names} broken={brokenAt(wash.key)} plan={plan} />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}
