import { afterEach, expect, test, vi } from "vitest";
import { FolderRefused } from "@/storage/folder/data-folder";
import { databaseUrl, onlyPainter, photosKept } from "./environment";

afterEach(() => vi.unstubAllEnvs());

test("a server's address is one of PostgreSQL, or there is none", () => {
  vi.stubEnv("DATABASE_URL", "");
  expect(databaseUrl()).toBeNull();
  for (const url of ["postgres://anna@127.0.0.1:5432/studio", "postgresql://host/studio"]) {
    vi.stubEnv("DATABASE_URL", ` ${url} `);
    expect(databaseUrl()).toBe(url);
  }
  for (const wrong of ["mysql://host/studio", "studio", "http://host/studio"]) {
    vi.stubEnv("DATABASE_URL", wrong);
    expect(() => databaseUrl()).toThrow(FolderRefused);
  }
});

test("photos are kept in a folder unless told otherwise, and nowhere else than in one or the other", () => {
  vi.stubEnv("ABENDROT_PHOTOS", undefined);
  expect(photosKept()).toBe("folder");
  vi.stubEnv("ABENDROT_PHOTOS", "database");
  expect(photosKept()).toBe("database");
  vi.stubEnv("ABENDROT_PHOTOS", "attic");
  expect(() => photosKept()).toThrow(FolderRefused);
});

test("nobody goes without signing in where others can reach the machine", () => {
  vi.stubEnv("ABENDROT_PAINTER", "");
  expect(onlyPainter()).toBeNull();
  vi.stubEnv("ABENDROT_PAINTER", "Anna");
  for (const host of ["", "127.0.0.1", "localhost", "::1"]) {
    vi.stubEnv("HOST", host);
    expect(onlyPainter()).toBe("Anna");
  }
  for (const host of ["0.0.0.0", "192.0.2.7", "::"]) {
    vi.stubEnv("HOST", host);
    expect(() => onlyPainter()).toThrow(/lets everybody in/);
  }
});
