/**
 * Lets somebody choose a picture from their machine.
 * @param take gets its bytes in Base64
 */
export function choosePicture(take: (picture: string) => void): void {
  const input = document.createElement("input");
  input.type = "file";
  input.accept = "image/*";
  input.onchange = () => {
    const file = input.files?.[0];
    if (!file) return;
    const reader = new FileReader();
    reader.onload = () => take(String(reader.result).replace(/^[^,]*,/, ""));
    reader.readAsDataURL(file);
  };
  input.click();
}
