import { aboutMe } from "./about-me";
import { changeAddress } from "./change-address";
import { confirmNewAddress } from "./confirm-address";
import { deletePerson } from "./delete";
import { editPerson } from "./edit";
import { readOwnPage } from "./page";
import { setPersonPage } from "./set-page";
import { whatBecomes } from "./what-becomes";

/** What people can do, by name. */
export const actions = {
  "people.about-me": aboutMe,
  "people.change-address": changeAddress,
  "people.confirm-address": confirmNewAddress,
  "people.delete": deletePerson,
  "people.edit": editPerson,
  "people.page": readOwnPage,
  "people.set-page": setPersonPage,
  "people.what-becomes": whatBecomes,
};
