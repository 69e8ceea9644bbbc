import { expect, test } from "vitest";
import { DiskFull } from "@/storage/folder/disk-space";
import { troubleOf } from "./trouble";

const coded = (code: string): Error => new Error("insert into …", { cause: Object.assign(new Error("no"), { code }) });

test.each([
  // PostgreSQL's manual, appendix A, and errno(3).
  ["53100", 507],
  ["ENOSPC", 507],
  ["EDQUOT", 507],
  ["EROFS", 507],
  ["XX001", 500],
  ["40P01", 503],
  ["ECONNREFUSED", 503],
  ["57P01", 503],
])("%s, wherever it comes from, is told as what it is", (code, status) => {
  const trouble = troubleOf(coded(code), "otherwise");
  expect(trouble.status).toBe(status);
  expect(trouble.message).not.toBe("otherwise");
  expect(trouble.damaged ?? false).toBe(code === "XX001");
});

test("a full disk is told in the painter's words; what nobody knows is told as was meant", () => {
  expect(troubleOf(coded("53100"), "otherwise").message).toBe(new DiskFull().message);
  expect(troubleOf(new Error("odd"), "otherwise")).toEqual({ status: 500, message: "otherwise" });
});
