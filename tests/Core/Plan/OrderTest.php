<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Plan;

use NimbleKnuckle\Core\Plan\Compiler\Order;
use NimbleKnuckle\Core\Plan\Compiler\Task;
use NimbleKnuckle\Core\Plan\Compiler\UnplannableFit;
use NimbleKnuckle\Core\Plan\Position;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Order::class)]
#[CoversClass(Task::class)]
final class OrderTest extends TestCase
{
    /** @var array<string, int> the brute force's own memory: done tasks and position => fewest changes left */
    private array $known = [];

    /** 1,000 random access maps: every order is legal, and up to 8 tasks it has as few changes of position as brute force finds. */
    public function testOrdersAreLegalAndChangePositionAsRarelyAsCanBe(): void
    {
        mt_srand(42);
        for ($run = 0; $run < 1000; ++$run) {
            $tasks = $this->random(0 === $run % 4 ? mt_rand(9, 40) : mt_rand(1, 8));
            $order = (new Order())->of($tasks);
            $place = array_flip($order);
            self::assertCount(count($tasks), $order);
            foreach ($tasks as $task) {
                foreach ($task->after as $before) {
                    self::assertLessThan($place[$task->id], $place[$before]);
                }
            }
            if (count($tasks) <= 8) {
                $this->known = [];
                self::assertSame($this->fewest($tasks, [], Position::Ground), $this->changes($tasks, $order));
            }
        }
    }

    public function testAWaitStartsAsSoonAsItCan(): void
    {
        $tasks = [
            'a' => new Task('a', Position::Raised, []), 'b' => new Task('b', Position::Raised, []),
            'drain' => new Task('drain', Position::Raised, ['a'], true),
        ];
        self::assertSame(['a', 'drain', 'b'], (new Order())->of($tasks));
    }

    public function testTasksThatWaitForEachOtherAreRefused(): void
    {
        $this->expectException(UnplannableFit::class);
        (new Order())->of(['a' => new Task('a', Position::Any, ['b']), 'b' => new Task('b', Position::Any, ['a'])]);
    }

    /** @return array<string, Task> */
    private function random(int $n): array
    {
        $positions = [Position::Ground, Position::Raised, Position::WheelOff, Position::Any];
        $tasks = [];
        for ($i = 0; $i < $n; ++$i) {
            $after = [];
            for ($k = 0; $k < $i; ++$k) {
                if (mt_rand(0, 99) < 25) {
                    $after[] = 't'.$k;
                }
            }
            $tasks['t'.$i] = new Task('t'.$i, $positions[mt_rand(0, 3)], $after);
        }

        return $tasks;
    }

    /**
     * @param array<string, Task> $tasks
     * @param list<string> $order
     */
    private function changes(array $tasks, array $order): int
    {
        $now = Position::Ground;
        $changes = 0;
        foreach ($order as $id) {
            if (!$tasks[$id]->canBeDoneIn($now)) {
                $now = $tasks[$id]->position;
                ++$changes;
            }
        }

        return $changes;
    }

    /**
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     */
    private function fewest(array $tasks, array $done, Position $now): int
    {
        if (count($done) === count($tasks)) {
            return 0;
        }
        $sorted = array_keys($done);
        sort($sorted);
        $key = $now->value.':'.implode(',', $sorted);
        if (isset($this->known[$key])) {
            return $this->known[$key];
        }
        $best = \PHP_INT_MAX;
        foreach ($tasks as $id => $task) {
            if (!isset($done[$id]) && $task->isFree($done)) {
                $here = $task->canBeDoneIn($now);
                $rest = $this->fewest($tasks, $done + [$id => true], $here ? $now : $task->position);
                $best = min($best, $rest + ($here ? 0 : 1));
            }
        }

        return $this->known[$key] = $best;
    }
}
