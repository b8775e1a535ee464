/** Where a piece is looked at from. */
export interface View {
  turnDeg: number;
  liftDeg: number;
  near: number;
}

export const firstView: View = { turnDeg: -32, liftDeg: 24, near: 1 };

/** Where pieces that stand side by side are looked at from: one is turned, all are. */
export class SharedView {
  now = firstView;
  private readonly followers = new Set<() => void>();

  to(view: View) {
    this.now = view;
    for (const follower of this.followers) follower();
  }

  follow(follower: () => void) {
    this.followers.add(follower);
    return () => void this.followers.delete(follower);
  }
}
