/** What is opened for somebody to look at does not take the focus from the field in which they set it. */

/** What opens takes the focus a moment later; ms. */
const SETTLING = 200;

/**
 * Does something that may open an overlay. Meanwhile nothing of the page takes the focus, for it would take it out of
 * the application; but where somebody is in the page already, all is as for a visitor.
 */
export async function withoutFocus(act: () => Promise<void>): Promise<void> {
  if (document.hasFocus()) return act();
  /* eslint-disable @typescript-eslint/unbound-method -- put back as it was, and called with its own element */
  const { focus } = HTMLElement.prototype;
  const { showModal } = HTMLDialogElement.prototype;
  /* eslint-enable @typescript-eslint/unbound-method */
  HTMLElement.prototype.focus = () => undefined;
  // A modal dialog looks for what it can focus by itself, and finds nothing in what is inert.
  HTMLDialogElement.prototype.showModal = function () {
    const { inert } = this;
    this.inert = true;
    try {
      showModal.call(this);
    } finally {
      this.inert = inert;
    }
  };
  try {
    await act();
    await new Promise((resolve) => setTimeout(resolve, SETTLING));
  } finally {
    HTMLElement.prototype.focus = focus;
    HTMLDialogElement.prototype.showModal = showModal;
  }
}
