/** What a menu needs once one is opened; in a file of its own, so that it can be loaded then. */
export { DropdownMenu } from "radix-ui";
