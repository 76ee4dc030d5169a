import { settings } from "../settings";
import type { UploadPlace } from "./upload-place";
import { IN_S3 } from "./uploads-in-s3";
import { ON_DISK } from "./uploads-on-disk";

/** Where files lie while they arrive. */
export const uploadPlace = (): UploadPlace => (settings().s3 ? IN_S3 : ON_DISK);
