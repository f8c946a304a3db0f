import { expose } from 'comlink';
import { drawable, preparedPicture } from './prepared-picture';

/** Makes pictures even, where the page does not have to wait for it. */
const pictures = {
  prepared: (picture: ImageData): ImageData => drawable(preparedPicture(picture)),
};

export type Pictures = typeof pictures;

expose(pictures);
