import { addPlacement } from "./add";
import { askSomebody } from "./ask";
import { doneWith } from "./done";
import { copyMany } from "./copy-many";
import { editPlacement } from "./edit";
import { movePlacement } from "./move";
import { moveMany } from "./move-many";
import { relinkPlacement } from "./relink";
import { removePlacement } from "./remove";
import { removeMany } from "./remove-many";

/** What people can do, by name. */
export const actions = {
  "placements.ask": askSomebody,
  "placements.done": doneWith,
  "placements.add": addPlacement,
  "placements.copy-many": copyMany,
  "placements.edit": editPlacement,
  "placements.move": movePlacement,
  "placements.move-many": moveMany,
  "placements.relink": relinkPlacement,
  "placements.remove": removePlacement,
  "placements.remove-many": removeMany,
};
