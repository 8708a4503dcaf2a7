/** Stands where something is still on its way. */
export const Busy = ({ children = '…' }: { children?: string }) => (
  <p className="quiet" role="status" aria-busy="true">
    {children}
  </p>
);
