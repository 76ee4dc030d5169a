import { askForNewsletter } from "./ask";
import { confirmOnList } from "./confirm";
import { dropFromList } from "./drop";
import { goOnSending } from "./go-on";
import { leaveList } from "./leave";
import { readOnList } from "./on-list";
import { previewNewsletter } from "./preview";
import { readNewsletter } from "./read";
import { readReaders } from "./readers";
import { sendNewsletter } from "./send";
import { tryNewsletter } from "./try";
import { writeNewsletter } from "./write";

/** What people can do, by name. */
export const actions = {
  "newsletters.ask": askForNewsletter,
  "newsletters.confirm": confirmOnList,
  "newsletters.drop": dropFromList,
  "newsletters.go-on": goOnSending,
  "newsletters.leave": leaveList,
  "newsletters.on-list": readOnList,
  "newsletters.preview": previewNewsletter,
  "newsletters.read": readNewsletter,
  "newsletters.readers": readReaders,
  "newsletters.send": sendNewsletter,
  "newsletters.try": tryNewsletter,
  "newsletters.write": writeNewsletter,
};
