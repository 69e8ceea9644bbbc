import { expect, test } from "vitest";
import { jobOf } from "./job-of";

test.each([
  [{ kind: "serve", job: 7 }, 7],
  [{ kind: "serve" }, -1],
  [{ job: "7" }, -1],
  [null, -1],
  ["job", -1],
])("the job of %j", (data, job) => expect(jobOf(data)).toBe(job));
