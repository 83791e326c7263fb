import type { Route, Section } from './route';

declare const shipped: {
  version: number;
  sections: Readonly<Record<string, Section>>;
  /** Each names its sections. */
  routes: readonly (Omit<Route, 'sections'> & { sections: readonly string[] })[];
};
export default shipped;
