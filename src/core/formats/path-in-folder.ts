import { fileName } from "./file-name";

/** Where a stored file lies in a folder that goes out; two of one name are told apart by their content. */
export const pathOfFile = ({ hash, name }: { hash: string; name: string }): string =>
  `files/${hash.slice(0, 8)} ${fileName(name)}`;

/** A path as it stands in an address. */
export const linkTo = (path: string): string => path.split("/").map(encodeURIComponent).join("/");
