import type { Highs } from "highs";
import { type Candidate, valueOf, type Wishes, worthOfOutcome } from "./choice";
import { chosenBy, matrixOf, type Otherwise, programOf } from "./program";

/** The best choice that was found, and how sure it is that there is no better one. */
export type Best = {
  /** In the order of the candidates; null: none was found. */
  chosen: Candidate[] | null;
  /** There is no better one; or, when none was found, there is none at all. */
  proven: boolean;
  /** Where it is not proven: a better one may serve so many outcomes more, some or whole, at the most. */
  outcomesMore: number;
  /** Where it is not proven and serves as many: a better one may be worth so much more at the most, in things of middling worth. */
  thingsMore: number;
};

type Asked = {
  /** So long it is looked for. */
  seconds: number;
  /** A choice that holds, to begin with. */
  start?: readonly Candidate[] | null;
  otherwise?: Otherwise;
};

/** What a thing of middling worth counts. */
const A_THING = 15;

/**
 * The best choice within what is wished: it serves as many outcomes as can be served, and of all that do it keeps the most and the best
 * judged. Branch and cut by HiGHS, with a bound on what could be better when time runs out.
 * @param highs the solver
 */
export function bestChoice(
  highs: Highs,
  candidates: readonly Candidate[],
  wishes: Wishes,
  { seconds, start, otherwise }: Asked,
): Best {
  const program = programOf(candidates, wishes, otherwise);
  const { start: starts, index: indices, value: values } = matrixOf(program);
  const [numCols, numRows] = [program.values.length, program.conditions.length];
  const { continuous, integer } = highs.constants.variableType;
  const model = highs.createModel({
    ...{ numCols, numRows, sense: highs.constants.objectiveSense.maximize },
    ...{ colCost: program.values, colLower: program.lower, colUpper: program.upper },
    rowLower: program.conditions.map(() => -highs.infinity),
    rowUpper: program.conditions.map(({ most }) => most),
    matrix: { format: "csr", numRows, numCols, starts, indices, values },
    integrality: program.values.map((_, i) => (i < program.whole ? integer : continuous)),
  });
  try {
    // Worths are whole numbers: what is less than one apart is the same.
    model.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: 0, mip_abs_gap: 0.99 });
    if (start && !otherwise) {
      const kept = new Set(start);
      const indices = candidates.map((_, i) => i);
      model.setSolution({ indices, values: candidates.map((one) => (kept.has(one) ? 1 : 0)) });
    }
    const { modelStatus } = model.run();
    const { optimal, infeasible } = highs.constants.modelStatus;
    if (modelStatus === infeasible) return { chosen: null, proven: true, outcomesMore: 0, thingsMore: 0 };
    const found = model.info.get("primal_solution_status") === 2;
    const chosen = found ? chosenBy(candidates, model.getSolution().colValue) : null;
    if (modelStatus === optimal) return { chosen, proven: true, outcomesMore: 0, thingsMore: 0 };
    const apart = Number(model.info.get("mip_dual_bound")) - valueOf(candidates, chosen ?? []);
    const outcome = worthOfOutcome(candidates);
    const outcomesMore = Math.floor(apart / outcome);
    return {
      chosen,
      proven: false,
      outcomesMore,
      thingsMore: Math.ceil((apart - outcomesMore * outcome) / A_THING),
    };
  } finally {
    model.dispose();
  }
}
