<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * The ring under a head: least bearing diameter dw and hole dh, mm. Hexagon ISO 4014, flange EN 1665, socket ISO 4762, hole ISO 273
 * medium. Unified sizes: washer face 0.95 of the width across flats (ASME B18.2.1), socket 0.95 of a head of 1.5 d (ASME B18.3),
 * flange 2 d (a working value), normal clearance hole (ASME B18.2.8). G plugs: collar of DIN 908, hole as the thread.
 */
final readonly class BearingFace
{
    public const HEADS = ['hexagon' => 'hexagon', 'flange' => 'flange', 'socket' => 'socket cap'];
    private const HEXAGON = [
        'M3' => [4.57, 3.4], 'M4' => [5.88, 4.5], 'M5' => [6.88, 5.5], 'M6' => [8.88, 6.6], 'M7' => [9.63, 7.6],
        'M8' => [11.63, 9.0], 'M10' => [14.63, 11.0],
        'M12' => [16.63, 13.5], 'M14' => [19.64, 15.5], 'M16' => [22.49, 17.5], 'M18' => [25.34, 20.0], 'M20' => [28.19, 22.0],
        'M22' => [31.71, 24.0], 'M24' => [33.61, 26.0],
        '#6' => [6.03, 3.9], '#8' => [6.03, 4.5], '#10' => [7.54, 5.2], '#12' => [7.54, 5.9], '1/4' => [10.56, 7.14],
        '5/16' => [12.07, 8.73], '3/8' => [13.57, 10.32],
        '7/16' => [15.08, 11.91], '1/2' => [18.10, 14.29], '9/16' => [19.61, 15.88], '5/8' => [22.62, 17.46], '3/4' => [27.15, 20.64],
        'G1/8' => [14.0, 9.728], 'G1/4' => [18.0, 13.157], 'G3/8' => [22.0, 16.662], 'G1/2' => [26.0, 20.955],
        'G5/8' => [28.0, 22.911], 'G3/4' => [32.0, 26.441], 'G7/8' => [36.0, 30.201], 'G1' => [39.0, 33.249],
    ];
    private const FLANGE = [
        'M5' => 9.8, 'M6' => 12.2, 'M8' => 15.8, 'M10' => 19.6, 'M12' => 23.8, 'M14' => 27.6, 'M16' => 31.9, 'M20' => 39.9,
    ];
    private const SOCKET = [
        'M3' => 5.07, 'M4' => 6.53, 'M5' => 8.03, 'M6' => 9.38, 'M8' => 12.33, 'M10' => 15.33, 'M12' => 17.23, 'M14' => 20.17,
        'M16' => 23.17, 'M18' => 25.87, 'M20' => 28.87, 'M22' => 31.81, 'M24' => 34.81,
    ];

    private function __construct(public float $outer, public float $hole)
    {
    }

    public static function hexagon(Thread $thread): self
    {
        [$outer, $hole] = self::HEXAGON[$thread->size];

        return new self($outer, $hole);
    }

    /** @throws InvalidInput for a head that is not made in this size */
    public static function under(string $head, Thread $thread): self
    {
        $name = match (str_replace(['-', '_', ' '], '', mb_strtolower(trim($head)))) {
            '', 'hex', 'hexagon', 'hexagonhead', 'plain' => 'hexagon',
            'flange', 'flanged', 'hexflange', 'flangehead' => 'flange',
            'socket', 'socketcap', 'cap', 'sockethead', 'allen' => 'socket',
            default => throw InvalidInput::in(
                'head',
                sprintf('“%s” is not a head we know: use %s.', InvalidQuantity::quote($head), implode(', ', array_keys(self::HEADS))),
            ),
        };
        $plain = self::hexagon($thread);
        if ('hexagon' === $name) {
            return $plain;
        }
        $outer = match (true) {
            $thread->isPipe() => null,
            $thread->isMetric() => ('flange' === $name ? self::FLANGE : self::SOCKET)[$thread->size] ?? null,
            default => 'flange' === $name ? 2 * $thread->diameter : 0.95 * 1.5 * $thread->diameter,
        };

        return new self(
            $outer ?? throw InvalidInput::in('head', sprintf('No %s head is standard for %s: use hexagon.', $name, $thread->size)),
            $plain->hole,
        );
    }

    /** Mean bearing diameter DKm in mm, VDI 2230-1. */
    public function meanDiameter(): float
    {
        return ($this->outer + $this->hole) / 2;
    }
}
