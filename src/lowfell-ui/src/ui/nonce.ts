import { setNonce } from "get-nonce";

/** The nonce of this page: a style that is put in while it is open has to bear it. */
export const nonce = document.querySelector<HTMLMetaElement>("meta[property=csp-nonce]")?.nonce || undefined;

if (nonce) setNonce(nonce);
