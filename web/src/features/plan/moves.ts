/** Changes to the moves of a cut. Each makes a new list or move and leaves the old one as it was. */
import { copy } from "@/shared/plain";
import type { Cut, Move } from "@/api";

/** The cut with its moves changed. */
const withMoves = (cut: Cut, change: (moves: Move[]) => void): Cut => {
  const next = copy(cut);
  change(next.moves);
  return next;
};

export const swapped = (cut: Cut, at: number, by: -1 | 1): Cut =>
  withMoves(cut, (moves) => {
    const [move] = moves.splice(at, 1);
    if (move) moves.splice(Math.max(0, at + by), 0, move);
  });

export const doubled = (cut: Cut, at: number): Cut =>
  withMoves(cut, (moves) => {
    const move = moves[at];
    if (move) moves.splice(at + 1, 0, copy(move));
  });

export const added = (cut: Cut, move: Move): Cut => withMoves(cut, (moves) => moves.push(move));

export const without = (cut: Cut, at: number): Cut => withMoves(cut, (moves) => moves.splice(at, 1));

/** The cut with one move changed. */
export const changed = (cut: Cut, at: number, change: (move: Move) => void): Cut =>
  withMoves(cut, (moves) => {
    const move = moves[at];
    if (move) change(move);
  });
