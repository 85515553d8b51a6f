import { describe, expect, it } from 'vitest';
import { QueryClient, QueryObserver } from '@tanstack/svelte-query';
import { askAnew, PlanSeen } from './plan-seen';

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

  it('is told of by itself after a decision here, and asked for only without a connection', () => {
    const { plan, asked } = seen();
    plan.answered(5);
    plan.told(5);
    plan.deciding();
    plan.answeredDecision();
    expect(asked()).toBe(0);
    plan.lost();
    plan.deciding();
    plan.answeredDecision();
    expect(asked()).toBe(1);
  });

  it('is asked for once the decision that made it is answered', () => {
    const { plan, asked } = seen();
    plan.answered(5);
    plan.told(5);
    plan.deciding();
    plan.told(6);
    expect(asked()).toBe(0);
    plan.answeredDecision();
    expect(asked()).toBe(1);
    plan.answered(6);
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

describe('asking anew', () => {
  it('reaches what is asked for the first time and still under way', async () => {
    const client = new QueryClient();
    const answers: ((version: number) => void)[] = [];
    const observer = new QueryObserver(client, {
      queryKey: ['plan', 'changes'],
      queryFn: () => new Promise<number>((resolve) => answers.push(resolve)),
      retry: false
    });
    const stop = observer.subscribe(() => undefined);
    expect(answers).toHaveLength(1);

    const again = askAnew(client);
    answers[0]?.(1);
    await expect.poll(() => answers.length).toBe(2);
    answers[1]?.(2);
    await again;
    expect(observer.getCurrentResult().data).toBe(2);
    stop();
  });
});
