/** SIGNS are the signs of the bead line, each with a line that shows it: the name of its picture, the piece whose dishes it takes, and what it stands for. */
export const SIGNS = [
  { name: "run", piece: "Fringe of Foam", line: "9B" },
  { name: "group", piece: "Fringe of Foam", line: "4(B 3S)" },
  { name: "mirror", piece: "Fringe of Foam", line: "<6S 2B R | T>" },
  { name: "free", piece: "Beachcomber", line: "?(4D 3B 2M)" },
  { name: "length", piece: "Fringe of Foam", line: "B {25mm: S R} B" },
  { name: "reversed", piece: "Harbour Lights", line: "2P C A ~C 2P" },
  { name: "gap", piece: "Fringe of Foam", line: "B _10mm B _10mm B" },
  { name: "pitch", piece: "Fringe of Foam", line: "T @16mm B @16mm T" },
  { name: "drop", piece: "Fringe of Foam", line: "3B [6S . T] 3B" },
  { name: "loop", piece: "Fringe of Foam", line: "3B T[7S R 7S] 3B" },
  { name: "loop-in-loop", piece: "Fringe of Foam", line: "3B T[9S B[6R] 9S] 3B" },
  { name: "riders", piece: "Sliding Buoys", line: "B 20R B", riders: "4L" },
];
