import { describe, expect, it } from 'vitest';
import { PlanSeen } from './plan-seen';

function seen(): { plan: PlanSeen; asked: () => number } {
  const plan = new PlanSeen();
  let times = 0;
  plan.behind = () => times++;
  return { plan, asked: () => times };
}

describe('the plan that is shown', () => {
  it('is asked for anew when a later one is told of', () => {
    const { plan, asked } = seen();
    plan.answered(5);
    plan.told(5);
    expect(asked()).toBe(0);
    plan.told(6);
    expect(asked()).toBe(1);
    plan.answered(6);
    plan.told(6);
    expect(asked()).toBe(1);
  });

  it('is asked for anew when it was read before the connection stood', () => {
    const { plan, asked } = seen();
    plan.answered(5);
    plan.answered(6);
    plan.told(6);
    expect(asked()).toBe(1);
  });

  it('is asked for anew when an older answer comes late', () => {
    const { plan, asked } = seen();
    plan.told(6);
    plan.answered(5);
    expect(asked()).toBe(1);
  });

  it('is not asked for anew when the answer was faster than the news', () => {
    const { plan, asked } = seen();
    plan.told(5);
    plan.answered(6);
    plan.told(6);
    expect(asked()).toBe(0);
  });

  it('is asked for anew when the server begins to count again, and only once', () => {
    const { plan, asked } = seen();
    plan.answered(50);
    plan.told(50);
    plan.lost();
    plan.told(1);
    expect(asked()).toBe(1);
    plan.answered(1);
    expect(asked()).toBe(1);
  });
});
