import type { NzI18nInterface } from 'ng-zorro-antd/i18n';

/**
 * What the interface library says of itself where nobody tells it otherwise, in our words: its own are in another
 * language. Only what the parts in use can say; whoever takes another part of the library into use looks here.
 */
export const LIBRARY_WORDS = {
  locale: 'en-gb',
  Empty: { description: 'Nothing to choose from.' },
  Modal: { okText: 'Yes', cancelText: 'Cancel', justOkText: 'Close' },
  Upload: {
    uploading: 'Uploading …',
    removeFile: 'Remove',
    uploadError: 'Upload failed',
    previewFile: 'Preview',
    downloadFile: 'Download',
  },
} as unknown as NzI18nInterface;
