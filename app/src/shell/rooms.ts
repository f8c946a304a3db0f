import type { Routes } from '@angular/router';

/**
 * The rooms that are built, in the order of the work. A room that is not built is not shown. On the phone what is done in
 * passing stands under the thumb, and what is done at a table behind one more touch.
 */
export const ROOMS: Routes = [
  {
    path: 'rig',
    title: 'Rig · Heliarch',
    data: { label: 'Rig', onPhone: 'behind-more' },
    loadComponent: () => import('../rig/rig').then((room) => room.RigRoom),
  },
  {
    path: 'loads',
    title: 'Loads · Heliarch',
    data: { label: 'Loads', onPhone: 'behind-more' },
    loadComponent: () => import('../loads/loads').then((room) => room.Loads),
  },
  {
    path: 'together',
    title: 'Together · Heliarch',
    data: { label: 'Together' },
    loadComponent: () => import('../together/together').then((room) => room.Together),
  },
  {
    path: 'day',
    title: 'Day · Heliarch',
    data: { label: 'Day' },
    loadComponent: () => import('../day/day').then((room) => room.Day),
  },
  {
    path: 'now',
    title: 'Now · Heliarch',
    data: { label: 'Now', onPhone: 'first' },
    loadComponent: () => import('../now/now').then((room) => room.Now),
  },
  {
    path: 'logbook',
    title: 'Logbook · Heliarch',
    data: { label: 'Logbook' },
    loadComponent: () => import('../logbook/logbook').then((room) => room.Logbook),
  },
  {
    path: 'card',
    title: 'Card · Heliarch',
    data: { label: 'Card', onPhone: 'behind-more' },
    loadComponent: () => import('../card/card').then((room) => room.Card),
  },
  { path: '**', redirectTo: 'together' },
];
