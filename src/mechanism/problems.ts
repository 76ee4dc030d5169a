/** What a problem means for whoever sent the request: the status of HTTP, and a short title. */
export const KINDS = {
  "not-valid": { status: 422, title: "Something needs another look" },
  "not-signed-in": { status: 401, title: "Sign in first" },
  "not-allowed": { status: 403, title: "Your role does not allow this" },
  "not-found": { status: 404, title: "There is nothing here, or it is not shared with you" },
  conflict: { status: 409, title: "Somebody changed this meanwhile" },
  "too-large": { status: 413, title: "That is too large" },
  "too-many": { status: 429, title: "That is too much at once" },
  busy: { status: 503, title: "Try again in a moment" },
} as const;
export type ProblemKind = keyof typeof KINDS;

const problem = <K extends ProblemKind>(kind: K, detail: string = KINDS[kind].title) => ({ kind, detail });

/**
 * Everything that can be refused, by its code. A code stays what it is: programs go by it. The words are for people, and
 * may be said more closely where the problem is met. The first eight stand for what needs no closer word.
 */
export const PROBLEMS = {
  "not-valid": problem("not-valid"),
  "not-signed-in": problem("not-signed-in"),
  "not-allowed": problem("not-allowed"),
  "not-found": problem("not-found"),
  conflict: problem("conflict"),
  "too-large": problem("too-large"),
  busy: problem("busy"),
  "too-many": problem("too-many"),

  "address-not-replaced": problem(
    "conflict",
    "No address was replaced in the last day, so none can be taken back.",
  ),
  "address-not-taken": problem("not-valid", "This address cannot be brought in."),
  "address-not-web": problem(
    "not-valid",
    "This is not a web address. One looks like https://site.example/page.",
  ),
  "between-only-notes": problem("not-valid", "Only a note can stand as text."),
  "code-opens-nothing": problem("not-found", "This code opens nothing. Its time may be over."),
  "captions-not-readable": problem("not-valid", "These captions cannot be read."),
  "code-has-a-slip": problem("not-valid", "There is a slip in this code."),
  "collection-inside-itself": problem("not-valid", "A collection cannot stand inside itself."),
  "database-away": problem(
    "busy",
    "What Hobbin has stored cannot be reached just now. It is safe; try again in a moment.",
  ),
  "date-is-over": problem("not-valid", "This day is over already."),
  "date-not-readable": problem("not-valid", "Write a date as 2026, 2026-03 or 2026-03-09."),
  "duplicate-of-itself": problem("not-valid", "These are one already."),
  "ends-before": problem("not-valid", "It ends before it begins."),
  "style-unknown": problem("not-valid", "There is no such citation style here."),
  "style-not-readable": problem("not-valid", "This is no citation style."),
  "template-not-readable": problem("not-valid", "This document cannot be filled."),
  "too-many-orders": problem(
    "too-many",
    "Three files are being made for you already. Wait until one is ready.",
  ),
  "too-many-styles": problem(
    "too-many",
    "A team has at most 100 styles of its own. Take one off the list first.",
  ),
  "export-too-large": problem(
    "too-large",
    "This is too large to be made while a page waits. Order it, and fetch it when it is ready; or choose some of the items.",
  ),
  "export-too-much": problem(
    "too-large",
    "This is more than one file can hold here. Choose some of the items, or take what stands inside one by one.",
  ),
  "sheet-too-long": problem(
    "too-large",
    "A learners' sheet holds 2,000 items at the most. Choose some of them, or take what stands inside one by one.",
  ),
  "file-not-arrived": problem("not-found", "This file has not arrived whole. Send the rest of it first."),
  "file-too-large": problem("too-large", "This file is too large."),
  "not-public": problem("not-valid", "This collection is not public."),
  "id-taken": problem("conflict", "That id is taken."),
  "identifier-not-valid": problem("not-valid", "This identifier is not right."),
  "ids-missing": problem("not-valid", "Give an id for each of them."),
  "import-lines-missing": problem(
    "conflict",
    "Not all lines have arrived yet. Send the missing ones, then start again.",
  ),
  "import-makes-collections": problem(
    "not-allowed",
    "Making collections is for editors. Bring the links into your Tray instead.",
  ),
  "import-not-for-you": problem("not-allowed", "Only who began an import, or an editor, can do that."),
  "import-not-yours": problem("not-allowed", "Somebody else began this import."),
  "import-places-no-tree": problem("not-valid", "These places are no tree, or more than 20,000."),
  "import-sections-homeless": problem("not-valid", "Sections need a collection to stand in."),
  "in-bin": problem("not-found", "This is in the bin. Restore it there first."),
  "invitation-ended": problem("not-found", "This invitation has ended. Ask for a new one."),
  "language-unknown": problem("not-valid", "Write a language as en, de or pt-BR."),
  "licence-unknown": problem(
    "not-valid",
    "Write a licence as CC BY 4.0, by its address, or by its id in the SPDX list.",
  ),
  "site-unknown": problem("not-valid", "Write sites as https://school.example, one after the other."),
  "list-not-readable": problem(
    "not-valid",
    "This list breaks off, or is not what it says it is. Export it once more, as RIS or BibTeX if you can.",
  ),
  "list-reader-busy": problem("busy", "Many lists are being read just now. Try again in a moment."),
  "list-reader-missing": problem(
    "not-found",
    "The program that reads such lists (bibutils) is not installed on this Hobbin. Export the list as RIS or BibTeX.",
  ),
  "look-up-failed": problem("not-found", "Nothing was found for this identifier."),
  "annotations-not-readable": problem("not-valid", "There are no web annotations in this file."),
  "fragment-not-readable": problem("not-valid", "This is no part of a picture, a page or a film."),
  "mark-of-nothing": problem("not-valid", "Mark some words, or write a note."),
  "meaning-gone": problem(
    "not-valid",
    "The team does not mean this by its marks any more. Choose another one.",
  ),
  "meaning-named-already": problem("not-valid", "There is a meaning of this name already."),
  "many-at-once": problem(
    "busy",
    "Many changed the same thing at this moment. Nothing of yours was changed; try again.",
  ),
  "member-unknown": problem("not-found", "That person is not in this team."),
  "name-missing": problem("not-valid", "Give a name."),
  "no-film": problem("not-valid", "Only a video or a sound has captions."),
  "no-file": problem("not-found", "This resource is no file."),
  "no-such-action": problem("not-found", "There is no action of this name."),
  "not-a-place": problem("not-valid", "This is no place in the list."),
  "not-a-reading": problem("not-allowed", "This changes something; send it by POST."),
  "not-an-object": problem("not-valid", "The input must be an object."),
  "not-json": problem("not-valid", "This is not JSON."),
  "not-sent-as-json": problem("not-valid", "Send JSON (application/json)."),
  "mail-address-wrong": problem(
    "not-valid",
    "This is not a mail address. One looks like name@place.example.",
  ),
  "nothing-to-send": problem("not-valid", "Choose something for it, or write a greeting."),
  "not-on-list": problem("not-found", "This address is on no list, or not any more."),
  "no-edition-yet": problem("not-valid", "Keep an edition first; there is none that readers could see."),
  "not-shared": problem("conflict", "Share the collection first; it has no link now."),
  "nothing-to-read-again": problem("not-valid", "This has no address that could be read again."),
  "only-captures": problem("not-allowed", "This access only brings things in."),
  "only-marks": problem("not-allowed", "This access only reads and makes marks."),
  "other-site": problem("not-allowed", "This came from another site, so it was not done."),
  "page-without-address": problem("not-valid", "This page has no web address that could be kept."),
  "outcome-unknown": problem(
    "busy",
    "The connection broke off just then, so this may have been saved or not. Look before you try again.",
  ),
  "pairing-ended": problem("not-found", "This pairing has run out. Press “Pair this browser” again."),
  "picture-not-offered": problem("not-valid", "The page does not offer this picture."),
  "picture-not-cleanable": problem(
    "not-valid",
    "This picture is cut off or too large to be opened, so what the camera wrote into it, such as where it was taken, cannot be taken out. It was not kept. Save it anew in a picture program and send that.",
  ),
  "picture-not-readable": problem("not-valid", "This file is no picture that can be shown."),
  "picture-unknown": problem("not-valid", "There is no such picture in the catalogue."),
  "rule-without-condition": problem("not-valid", "Name at least one: a site, a sender, a tag or a word."),
  "rule-all-left-out": problem(
    "not-valid",
    "The rule would fit nothing then. Change what it asks for, or take it away.",
  ),
  "rule-with-many-exceptions": problem(
    "not-valid",
    "It leaves out a great deal already. Better make another rule.",
  ),
  "rule-without-exception": problem("not-valid", "Name what is to be left out: a word of the title."),
  "rule-without-effect": problem("not-valid", "Say where it goes, or how it is tagged."),
  "section-gone": problem("not-found", "That section is no longer here."),
  "section-name-missing": problem("not-valid", "Give a name for the section."),
  "sender-not-readable": problem(
    "not-valid",
    "Write an address like news@bog.example, or @bog.example for everybody there.",
  ),
  "source-not-web": problem("not-valid", "The source is not a web address."),
  "tag-gone": problem("not-found", "One of these tags is not there any more."),
  "tag-missing": problem("not-valid", "Give a tag."),
  "tag-name-taken": problem("not-valid", "There is a tag of this name already. Merge the two instead."),
  "subject-missing": problem("not-valid", "Give it a subject; it is what its readers see first."),
  "team-without-owner": problem("conflict", "A team needs an owner. Make somebody else owner first."),
  "title-missing": problem("not-valid", "Give a title."),
  "token-ended": problem("not-signed-in", "This access token does not hold, or no longer."),
  "too-many-meanings": problem("not-valid", "So many meanings are not told apart. Take one off first."),
  "too-many-lines": problem("not-valid", "That is too many lines at once."),
  "too-many-files": problem(
    "too-many",
    "That is as much as one person can send in a day. Go on tomorrow, or ask whoever runs Hobbin here.",
  ),
  "too-many-imports": problem(
    "too-many",
    "So many of your imports are under way already. Wait until one is done, or take one back.",
  ),
  "too-many-tries": problem("too-many", "That were too many tries. Wait some minutes, then try again."),
  "too-many-places": problem(
    "too-many",
    "You have Hobbin open in so many places that what others do is not shown here. Close some of them.",
  ),
  "too-many-saved-searches": problem(
    "not-valid",
    "That is as many searches as one can save. Let one go first.",
  ),
  "words-differ": problem(
    "conflict",
    "Somebody else changed the same words meanwhile. Nothing was overwritten: look at both, then save yours again.",
  ),
};
export type ProblemCode = keyof typeof PROBLEMS;
