<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests;

/** What a thing costs this process, whatever else the machine does meanwhile. */
final readonly class Cpu
{
    /** @return float seconds of the processor, the process's own and the system's on its behalf */
    public static function seconds(callable $work): float
    {
        $before = self::now();
        $work();

        return self::now() - $before;
    }

    private static function now(): float
    {
        /** @var array<string, int> $used */
        $used = getrusage() ?: [];

        return ($used['ru_utime.tv_sec'] ?? 0) + ($used['ru_stime.tv_sec'] ?? 0)
            + (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1e6;
    }
}
