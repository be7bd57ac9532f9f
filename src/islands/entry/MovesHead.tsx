/** Heads what saving will move. */
export const MovesHead = () => (
  <h2 className="head m-0">
    What this moves <span className="ml-1 text-[13px] font-normal text-second">dashed: before. Solid: after</span>
  </h2>
)
