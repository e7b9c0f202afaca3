import { type Express } from 'express';
/** Which browser database the pages use: the teacher's own, or the demo's. */
export type Shelf = 'own' | 'demo';
/** The application's server: static files with safe headers, and which shelf it serves. */
export declare function createApp(built: string, shelf: Shelf): Express;
