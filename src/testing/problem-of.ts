import { FileError, type FileProblem } from "@/core/formats";

/** The problem that reading ends with; null when it ends well. What is no problem of the file's is thrown on. */
export function problemOf(read: () => unknown): FileProblem | null {
  try {
    read();
    return null;
  } catch (error) {
    if (error instanceof FileError) return error.problem;
    throw error;
  }
}
