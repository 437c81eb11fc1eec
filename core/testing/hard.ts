/** How many of something a test tries: fewer in every run, all of them in hard use (`npm run hard`). */
export const tries = (usual: number, hard: number): number => (process.env.HARD ? hard : usual);
