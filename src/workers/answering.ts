/// <reference lib="webworker" />

/** A question on its way to a worker; every one is answered once, by its job's number. */
export interface Question {
  readonly kind: string;
  readonly job: number;
}

/** What a worker answers: the answer, or why there is none. */
export type Answered<Answer> =
  | { readonly kind: "answered"; readonly job: number; readonly milliseconds: number; readonly answer: Answer }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };

/** Answers every question that this worker is asked. Questions come from our own rooms: their types hold, and what fails is told. */
export function answerWith<Q extends Question, Answer>(answer: (question: Q) => Answer): void {
  self.onmessage = ({ data }: MessageEvent<Q>) => {
    const start = performance.now();
    const reply = (message: Answered<Answer>): void => self.postMessage(message);
    try {
      const found = answer(data);
      reply({ kind: "answered", job: data.job, milliseconds: performance.now() - start, answer: found });
    } catch (error) {
      reply({ kind: "failed", job: data.job, message: error instanceof Error ? error.message : String(error) });
    }
  };
}
