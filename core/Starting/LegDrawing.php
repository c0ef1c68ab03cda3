<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

/** Battery, feed, starter and earth as one loop, with what each leg loses and its limit. Frame of 640 by 320. */
final readonly class LegDrawing
{
    private const BAR = 220.0;

    /** @param list<array{name: string, volts: float, limit: float, bar: float, mark: float, level: string}> $legs */
    private function __construct(public array $legs, public float $crank, public float $starter)
    {
    }

    public static function of(VoltDrop $drop): self
    {
        $leg = static function (string $name, float $volts, float $limit) use ($drop): array {
            $most = max(2.2 * VoltDrop::FEED, $drop->feed(), $drop->ground);

            return [
                'name' => $name, 'volts' => $volts, 'limit' => $limit, 'bar' => self::BAR * max(0.0, $volts) / $most,
                'mark' => self::BAR * $limit / $most,
                'level' => $volts > 2 * $limit ? 'stop' : ($volts > $limit ? 'watch' : 'ok'),
            ];
        };

        return new self(
            [$leg('feed', $drop->feed(), VoltDrop::FEED), $leg('earth', $drop->ground, VoltDrop::GROUND)], $drop->crank,
            $drop->crank - $drop->feed() - $drop->ground,
        );
    }
}
