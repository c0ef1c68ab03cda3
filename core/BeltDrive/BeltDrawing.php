<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Drawing\Frame;

/**
 * A belt drive to scale, seen from the front: mm, y down. The belt as one path, chevrons the way it runs, an arc for each wrap,
 * the tensioner's window with the arm's place on it.
 */
final readonly class BeltDrawing
{
    private const MARGIN = 34.0;
    /** mm from the idler's rim to the arc of its window. */
    private const PAST = 13.0;

    /**
     * @param list<array{name: string, x: float, y: float, r: float, side: string, wrap: string, degrees: ?float, clockwise: bool,
     *     state: string, isArm: bool, drives: bool}> $pulleys
     * @param list<array{x: float, y: float, angle: float}> $chevrons degrees clockwise from the right
     * @param ?array{x: float, y: float, tip: array{float, float}, idler: array{float, float}, window: string,
     *     near: array{float, float}, far: array{float, float},
     *     free: array{float, float}, inside: bool} $arm
     */
    private function __construct(
        public Frame $frame, public float $unit, public string $belt, public array $pulleys, public array $chevrons, public ?array $arm,
        public string $said,
    ) {
    }

    /**
     * @param list<Pulley> $pulleys
     * @param ?BeltPath $path null where no belt can run
     * @param ?float $angle of the arm, in degrees
     * @param int $fault the pulley nothing fits at; -1 for none
     */
    public static function of(
        array $pulleys, ?BeltPath $path, ?Tensioner $tensioner = null, ?float $angle = null, int $idler = -1,
        bool $clockwise = true, int $fault = -1,
    ): self {
        $frame = self::frame($pulleys, $tensioner);
        $unit = max($frame->width, $frame->height) / 100;
        $isForward = null === $path || $path->sense * (Side::Ribs === $pulleys[$path->driver()]->side ? 1 : -1) === ($clockwise ? -1 : 1);
        $drawn = [];
        foreach ($pulleys as $i => $pulley) {
            $drawn[] = self::pulley($pulley, $i, $path, $clockwise, $fault, $idler);
        }

        return new self(
            $frame, $unit, null === $path ? '' : self::belt($path), $drawn, null === $path ? [] : self::chevrons($path, $isForward),
            null === $tensioner ? null : self::arm($tensioner, $angle, isset($pulleys[$idler]) ? $pulleys[$idler]->d / 2 : 0.0),
            self::said($pulleys, $path),
        );
    }

    /**
     * @return array{name: string, x: float, y: float, r: float, side: string, wrap: string, degrees: ?float, clockwise: bool,
     *     state: string, isArm: bool, drives: bool}
     */
    private static function pulley(Pulley $pulley, int $i, ?BeltPath $path, bool $clockwise, int $fault, int $idler): array
    {
        $isDriver = null !== $path && $i === $path->driver();
        $isLittle = null !== $path && $path->hasLess($i, BeltPath::LITTLE);

        return [
            'name' => $pulley->name, 'x' => $pulley->x, 'y' => -$pulley->y, 'r' => $pulley->d / 2, 'side' => $pulley->side->value,
            'wrap' => null === $path ? '' : self::wrap($path, $i), 'degrees' => $path?->wraps[$i] ?? null,
            'clockwise' => null === $path || $path->turnsWithCrank($i) ? $clockwise : !$clockwise,
            'state' => $i === $fault ? 'fault' : ($isLittle ? 'little' : ''), 'isArm' => $i === $idler,
            'drives' => $isDriver || $pulley->drives,
        ];
    }

    /** The arc of contact, drawn well inside the rim. */
    private static function wrap(BeltPath $path, int $i): string
    {
        $pulley = $path->pulleys[$i];
        $r = max($pulley->d * 0.36, $pulley->d / 2 - 9.0);
        $count = count($path->spans);
        [$in, $out] = [$path->spans[($i + $count - 1) % $count]->end, $path->spans[$i]->start];
        [$a, $b] = [self::onRim($pulley, $in, $r), self::onRim($pulley, $out, $r)];

        return self::n(
            'M%s %s A%s %s 0 %d %d %s %s', $a[0], -$a[1], $r, $r, $path->wraps[$i] > 180 ? 1 : 0, self::sweep($path, $i), $b[0],
            -$b[1],
        );
    }

    /**
     * @param array{float, float} $point
     *
     * @return array{float, float} that point drawn in to a radius
     */
    private static function onRim(Pulley $pulley, array $point, float $r): array
    {
        [$dx, $dy] = [$point[0] - $pulley->x, $point[1] - $pulley->y];
        $far = max(1e-9, hypot($dx, $dy));

        return [$pulley->x + $dx * $r / $far, $pulley->y + $dy * $r / $far];
    }

    /** In the picture y runs down, so that what turns counter-clockwise sweeps the other way. */
    private static function sweep(BeltPath $path, int $i): int
    {
        return $path->sense * (Side::Ribs === $path->pulleys[$i]->side ? 1 : -1) > 0 ? 0 : 1;
    }

    private static function belt(BeltPath $path): string
    {
        $d = self::n('M%s %s', $path->spans[0]->start[0], -$path->spans[0]->start[1]);
        $count = count($path->spans);
        foreach ($path->spans as $i => $span) {
            $next = ($i + 1) % $count;
            $r = $path->pulleys[$next]->pitchRadius($path->section);
            $to = $path->spans[$next]->start;
            $d .= self::n(
                ' L%s %s A%s %s 0 %d %d %s %s', $span->end[0], -$span->end[1], $r, $r, $path->wraps[$next] > 180 ? 1 : 0,
                self::sweep($path, $next), $to[0], -$to[1],
            );
        }

        return $d.' Z';
    }

    /**
     * The belt where it lies already: round these pulleys, and from one to the next in belt order.
     *
     * @param list<int> $laid
     */
    public static function laid(BeltPath $path, array $laid): string
    {
        $count = count($path->spans);
        $d = '';
        foreach ($laid as $at) {
            $r = $path->pulleys[$at]->pitchRadius($path->section);
            [$in, $out] = [$path->spans[($at + $count - 1) % $count]->end, $path->spans[$at]->start];
            $d .= self::n(
                ' M%s %s A%s %s 0 %d %d %s %s', $in[0], -$in[1], $r, $r, $path->wraps[$at] > 180 ? 1 : 0, self::sweep($path, $at), $out[0],
                -$out[1],
            );
            $to = $path->spans[$at]->end;
            $d .= in_array(($at + 1) % $count, $laid, true) ? self::n(' L%s %s', $to[0], -$to[1]) : '';
        }

        return trim($d);
    }

    /** @return list<array{x: float, y: float, angle: float}> */
    private static function chevrons(BeltPath $path, bool $isForward): array
    {
        return array_map(static fn (Span $span): array => [
            'x' => ($span->start[0] + $span->end[0]) / 2, 'y' => -($span->start[1] + $span->end[1]) / 2,
            'angle' => -rad2deg($span->way) + ($isForward ? 0.0 : 180.0),
        ], $path->spans);
    }

    /**
     * @return array{x: float, y: float, tip: array{float, float}, idler: array{float, float}, window: string,
     *     near: array{float, float}, far: array{float, float},
     *     free: array{float, float}, inside: bool}
     */
    private static function arm(Tensioner $tensioner, ?float $angle, float $idler): array
    {
        $r = $tensioner->arm + $idler + self::PAST;
        $at = static fn (float $degrees, float $far): array => [
            $tensioner->x + $far * cos(deg2rad($degrees)), -($tensioner->y + $far * sin(deg2rad($degrees))),
        ];
        $stands = $angle ?? $tensioner->free;
        [$near, $far] = [$at($tensioner->near, $r), $at($tensioner->far, $r)];
        $travel = null === $angle ? 50.0 : $tensioner->travel($angle);

        return [
            'x' => $tensioner->x, 'y' => -$tensioner->y, 'tip' => $at($stands, $r),
            'idler' => $at($stands, $tensioner->arm),
            'window' => self::n(
                'M%s %s A%s %s 0 %d %d %s %s', $near[0], $near[1], $r, $r, abs($tensioner->far - $tensioner->near) > 180 ? 1 : 0,
                $tensioner->far > $tensioner->near ? 0 : 1, $far[0], $far[1],
            ),
            'near' => $near, 'far' => $far, 'free' => $at($tensioner->free, $r), 'inside' => $travel >= 0.0 && $travel <= 100.0,
        ];
    }

    /** @param list<Pulley> $pulleys */
    private static function frame(array $pulleys, ?Tensioner $tensioner): Frame
    {
        [$left, $right, $top, $bottom] = [\INF, -\INF, \INF, -\INF];
        foreach ($pulleys as $one) {
            $r = $one->d / 2 + self::MARGIN;
            [$left, $right] = [min($left, $one->x - $r), max($right, $one->x + $r)];
            [$top, $bottom] = [min($top, -$one->y - $r), max($bottom, -$one->y + $r)];
        }
        if (null !== $tensioner) {
            $r = $tensioner->arm + self::MARGIN;
            [$left, $right] = [min($left, $tensioner->x - $r), max($right, $tensioner->x + $r)];
            [$top, $bottom] = [min($top, -$tensioner->y - $r), max($bottom, -$tensioner->y + $r)];
        }

        return new Frame($left, $top, max(1.0, $right - $left), max(1.0, $bottom - $top));
    }

    /** @param list<Pulley> $pulleys */
    private static function said(array $pulleys, ?BeltPath $path): string
    {
        if (null === $path) {
            return 'No belt runs here: '.implode(', ', array_map(static fn (Pulley $one): string => $one->name, $pulleys)).'.';
        }
        $round = array_map(static fn (Pulley $one, float $wrap): string => sprintf(
            '%s, %d° on the %s', $one->name, round($wrap), Side::Ribs === $one->side ? 'ribs' : 'back',
        ), $pulleys, $path->wraps);

        return sprintf('Belt of %s mm, in its order: %s.', round($path->length, 1), implode('; ', $round));
    }

    private static function n(string $pattern, float|int ...$numbers): string
    {
        return vsprintf(
            $pattern,
            array_map(static fn (float|int $one): string => is_int($one) ? (string) $one : sprintf('%.2F', $one), $numbers),
        );
    }
}
