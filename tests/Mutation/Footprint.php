<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Mutation;

use PHPUnit\Event\Code\TestMethod;
use PHPUnit\Event\Test\Finished;
use PHPUnit\Event\Test\FinishedSubscriber;
use PHPUnit\Event\Test\PreparationStarted;
use PHPUnit\Event\Test\PreparationStartedSubscriber;
use PHPUnit\Event\TestRunner\ExecutionFinished;
use PHPUnit\Event\TestRunner\ExecutionFinishedSubscriber;
use PHPUnit\Runner\Extension\Extension;
use PHPUnit\Runner\Extension\Facade;
use PHPUnit\Runner\Extension\ParameterCollection;
use PHPUnit\TextUI\Configuration\Configuration;

/**
 * Notes which lines of the core each test runs through, each set of data by itself, and how long it takes; whatever it says that it is
 * there to cover. Written to the file that NK_FOOTPRINT names, as Map reads it.
 */
final class Footprint implements Extension
{
    /** @var list<string> */
    private array $names = [];
    /** @var list<float> */
    private array $seconds = [];
    /** @var array<string, array<int, string>> path => line => which tests, packed */
    private array $lines = [];
    private float $began = 0.0;

    public function bootstrap(Configuration $configuration, Facade $facade, ParameterCollection $parameters): void
    {
        $end = new class($this->write(...)) implements ExecutionFinishedSubscriber {
            public function __construct(private readonly \Closure $write)
            {
            }

            public function notify(ExecutionFinished $event): void
            {
                ($this->write)();
            }
        };
        $begin = new class($this->begin(...)) implements PreparationStartedSubscriber {
            public function __construct(private readonly \Closure $begin)
            {
            }

            public function notify(PreparationStarted $event): void
            {
                ($this->begin)();
            }
        };
        $finish = new class($this->finish(...)) implements FinishedSubscriber {
            public function __construct(private readonly \Closure $finish)
            {
            }

            public function notify(Finished $event): void
            {
                $test = $event->test();
                $test instanceof TestMethod && ($this->finish)($test->nameWithClass());
            }
        };
        $facade->registerSubscribers($begin, $finish, $end);
    }

    private function begin(): void
    {
        \pcov\clear();
        $this->began = microtime(true);
        \pcov\start();
    }

    private function finish(string $name): void
    {
        \pcov\stop();
        $number = pack('v', count($this->names));
        $this->names[] = $name;
        $this->seconds[] = microtime(true) - $this->began;
        $root = dirname(__DIR__, 2).'/';
        /** @var array<string, array<int, int>> $ran */
        $ran = \pcov\collect(\pcov\all);
        foreach ($ran as $path => $lines) {
            foreach (str_starts_with($path, $root.'core/') ? $lines : [] as $line => $times) {
                $file = substr($path, strlen($root));
                $times > 0 && $this->lines[$file][$line] = ($this->lines[$file][$line] ?? '').$number;
            }
        }
    }

    private function write(): void
    {
        file_put_contents((string) getenv('NK_FOOTPRINT'), serialize([$this->names, $this->seconds, $this->lines]));
    }
}
