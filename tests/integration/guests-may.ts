import type { GuestRole } from "@/core/policy/abilities";
import type { ActionName } from "@/services/registry";
import type { Full } from "./full-world";

type May = {
  /** The least a guest must be. */
  from: GuestRole;
  /** How a guest asks for it, where it is not as whoever is in the team does. */
  input?: (world: Full) => object;
};
const viewer: May = { from: "viewer" };
const contributor: May = { from: "contributor" };
const editor: May = { from: "editor" };

/** What a guest may in the collection they were let into. What is not here is not theirs, whatever they are in it. */
export const GUESTS: Partial<Record<ActionName, May>> = {
  "collections.be-here": viewer,
  "collections.happened": viewer,
  "collections.items": viewer,
  "collections.news": viewer,
  "collections.read": viewer,
  "collections.sections": viewer,
  "collections.set-view": viewer,
  "collections.some-items": viewer,
  "collections.then": viewer,
  "collections.tree": viewer,
  "comments.add": viewer,
  "comments.edit": viewer,
  "comments.of-collection": viewer,
  "comments.on-marks": viewer,
  "comments.people": viewer,
  "comments.remove": viewer,
  "comments.settle": viewer,
  "events.listen": viewer,
  "export.collection": viewer,
  "export.document": viewer,
  "export.folder": viewer,
  "export.order": viewer,
  "export.orders": viewer,
  "files.read": viewer,
  "guests.remove": viewer,
  "history.read": viewer,
  "history.redo": viewer,
  "history.undo": viewer,
  "lessons.read": viewer,
  "marks.evidence": viewer,
  "marks.export": viewer,
  "marks.of-collection": viewer,
  "marks.of-resource": viewer,
  "meanings.read": viewer,
  "messages.of-resource": viewer,
  "pictures.read": viewer,
  "reading.place": viewer,
  "reading.read": viewer,
  "references.bibliography": viewer,
  "references.cite": viewer,
  "references.styles": viewer,
  "resources.history": viewer,
  "resources.links": viewer,
  "resources.read": viewer,
  "resources.text": viewer,
  "resources.use": viewer,
  "tags.read": viewer,
  "tags.suggest": viewer,
  "teams.template": viewer,
  "texts.compare": viewer,
  "texts.versions": viewer,
  "tray.of-resource": viewer,

  "capture.address": {
    from: "contributor",
    input: ({ team, collection }) => ({ team, collection, address: "https://bog.example/x" }),
  },
  "capture.note": {
    from: "contributor",
    input: ({ team, collection }) => ({ team, collection, text: "x" }),
  },
  "capture.page": {
    from: "contributor",
    input: ({ team, collection }) => ({ team, collection, address: "https://bog.example/s" }),
  },
  "capture.work": {
    from: "contributor",
    input: ({ team, collection }) => ({ team, collection, type: "book", title: "x" }),
  },
  "capture.file": {
    from: "contributor",
    input: ({ team, collection, resource }) => ({ team, collection, upload: resource }),
  },
  "files.begin": {
    from: "contributor",
    input: ({ team, collection }) => ({ team, collection, bytes: 1 }),
  },
  "marks.add": contributor,
  "marks.edit": contributor,
  "marks.remove": contributor,
  "marks.restore": contributor,
  "marks.set-private": contributor,
  "placements.add": contributor,
  "placements.ask": contributor,
  "placements.done": viewer,
  "placements.copy-many": contributor,
  "resources.choose-picture": contributor,
  "resources.edit": contributor,
  "resources.fetch-again": contributor,
  "resources.give-captions": contributor,
  "resources.give-picture": contributor,
  "resources.paste-text": contributor,
  "resources.proposal": contributor,
  "resources.set-kind": contributor,
  "resources.take-proposal": contributor,
  "tags.add": contributor,
  "tags.change": contributor,
  "tags.remove": contributor,
  "texts.use": contributor,

  "collections.cover": editor,
  "collections.edit": editor,
  "collections.fit": editor,
  "collections.tag": editor,
  "placements.edit": editor,
  "placements.move": editor,
  "placements.move-many": {
    from: "editor",
    input: ({ collection, placement }) => ({ collection, placements: [placement] }),
  },
  "placements.remove": editor,
  "placements.remove-many": editor,
  "sections.edit": editor,
  "sections.make": editor,
  "sections.move": editor,
  "sections.remove": editor,
};
