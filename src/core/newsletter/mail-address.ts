/**
 * Whether something could be a mail address: a part before the @ and a host with a dot in it, no blanks, no brackets, no
 * list of several. Whether it is one, only a letter to it shows. (RFC 5321, 4.5.3.1: 64 before the @, 254 in all.)
 */
export const isMailAddress = (text: string): boolean =>
  text.length <= 254 &&
  /^[^\s@<>()[\]\\,;:"]{1,64}@[^\s@<>()[\]\\,;:"]+\.[^\s@.<>()[\]\\,;:"]{2,}$/u.test(text) &&
  !/\.\.|^\.|\.@/.test(text);
