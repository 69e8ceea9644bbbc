/** Short forms that stand on tubes and lists. Common practice, no source. */
const SHORT: Readonly<Record<string, string>> = {
  quin: "quinacridone",
  quinac: "quinacridone",
  thalo: "phthalo",
  pthalo: "phthalo",
  phthalocyanine: "phthalo",
  cad: "cadmium",
  cob: "cobalt",
  ultra: "ultramarine",
  diox: "dioxazine",
  bt: "burnt",
  yel: "yellow",
  grn: "green",
  gs: "green shade",
  rs: "red shade",
  gray: "grey",
};

/** A word as the handbook writes it, as one word or two. */
export const wholeWords = (word: string): readonly string[] => (SHORT[word] ?? word).split(" ");
