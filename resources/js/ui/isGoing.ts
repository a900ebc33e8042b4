/** Whether something that was asked for is still to come. */
export const isGoing = (asked: { state: string } | undefined) =>
    asked !== undefined && ['waiting', 'running', 'checking'].includes(asked.state);
