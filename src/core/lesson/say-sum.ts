/** “45 of 50 minutes”, and what is wrong with that. */
export function saySum({ total, left, open }: { total: number; left: number | null; open: number }): string {
  const said = left === null ? `${total} minutes` : `${total} of ${total + left} minutes`;
  const how = left === null || left === 0 ? "" : left > 0 ? `, ${left} left` : `, ${-left} too many`;
  return `${said}${how}${open ? `; ${open} without a time` : ""}`;
}
