/** The part of the package that computes; its front door brings files and pictures along. */
declare module "qrcode/lib/core/qrcode.js" {
  export { create } from "qrcode";
}
