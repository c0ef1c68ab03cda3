// Takes a picture at a step: from the camera, a file, or a drawn sample. It is made small and bare here, kept on the tablet, then sent.
import { bench } from './sync.js';
import { photo } from './outbox.js';

const MOST_PX = 1600;
const QUALITY = 0.9;

/** A picture drawn anew: upright, no side over 1,600 px, and nothing in the file but the picture. */
export const reduced = async (file) => {
  const read = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const by = Math.min(1, MOST_PX / Math.max(read.width, read.height));
  const paper = document.createElement('canvas');
  [paper.width, paper.height] = [Math.max(1, Math.round(read.width * by)), Math.max(1, Math.round(read.height * by))];
  const pen = paper.getContext('2d');
  pen.fillStyle = '#fff';
  pen.fillRect(0, 0, paper.width, paper.height);
  pen.imageSmoothingQuality = 'high';
  pen.drawImage(read, 0, 0, paper.width, paper.height);
  read.close();
  return new Promise((done, failed) => { paper.toBlob((made) => (made ? done(made) : failed(new Error('no picture'))), 'image/jpeg', QUALITY); });
};

const wrong = (dialog, message) => {
  const told = dialog?.querySelector('[data-photo-wrong]');
  if (!told) return;
  told.textContent = message;
  told.hidden = message === '';
};

const take = async (file, { shot, text = '', dialog = null }) => {
  wrong(dialog, '');
  try {
    const made = await reduced(file);
    const field = dialog?.dataset.field ?? '';
    const id = await photo(bench().dataset.fit, { step: bench().dataset.step, shot: field ? 'proof' : shot, text, field }, made);
    if (field) measureOnce(dialog, id, field);
    else dialog?.close();
    document.dispatchEvent(new CustomEvent('nk:photo-taken'));
  } catch {
    const message = 'This is no picture that can be shown, or the tablet has no room for it.';
    if (dialog && !dialog.open) dialog.showModal();
    wrong(dialog, message);
  }
};

/** Once the server has it, on to the page that measures in it. */
const measureOnce = (dialog, id, field) => {
  wrong(dialog, 'Sending the picture. It is measured once the server has it.');
  document.addEventListener('nk:photo-kept', (event) => {
    if (event.detail === id) window.location.assign(`${dialog.dataset.measure.replace('0'.repeat(26), id)}?field=${encodeURIComponent(field)}`);
  });
};

const said = (dialog) => ({
  dialog, shot: dialog.querySelector('[name="shot"]:checked')?.value ?? '', text: dialog.querySelector('[name="text"]')?.value.trim() ?? '',
});

export const startPicture = () => {
  document.addEventListener('change', (event) => {
    const field = event.target.closest('[data-photo-input]');
    if (!field || !bench() || !field.files[0]) return;
    const dialog = field.closest('dialog');
    const [file] = field.files;
    take(file, dialog ? said(dialog) : { shot: field.dataset.shot ?? '', dialog: document.getElementById('photo') });
    field.value = '';
  });
  // Opened from a reading, the picture is to be measured in; opened by itself it is not.
  document.addEventListener('click', (event) => {
    const opener = event.target.closest('[data-open="photo"]');
    const dialog = opener ? document.getElementById('photo') : null;
    if (!dialog) return;
    dialog.dataset.field = opener.dataset.photoFor ?? '';
    const guide = dialog.querySelector('[data-photo-guide]');
    if (guide) guide.hidden = !opener.dataset.photoFor;
    wrong(dialog, '');
  }, true);
  document.addEventListener('click', async (event) => {
    const sample = event.target.closest('[data-photo-sample]');
    if (!sample || !bench()) return;
    const dialog = sample.closest('dialog');
    const answer = await fetch(sample.dataset.photoSample).catch(() => null);
    if (answer?.ok) take(await answer.blob(), said(dialog));
    else wrong(dialog, 'No connection. The drawn pictures come from the server.');
  });
};
