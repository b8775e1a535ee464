export { Button, IconButton } from "./Button";
export { Choice } from "./Choice";
export { Dialog } from "./Dialog";
export { Field, NumberInput, TextInput, Toggle } from "./Field";
export { Menu } from "./Menu";
export { Popover } from "./Popover";
export { SeverityMark } from "./SeverityMark";
export { notify, Toasts } from "./Toasts";
