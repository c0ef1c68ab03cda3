<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** A ribbed belt in section, to scale in mm: back above, ribs below. */
final readonly class RibDrawing
{
    /** mm of belt above the roots of the ribs. */
    private const BODY = 2.2;

    private function __construct(public string $outline, public float $width, public float $height, public int $ribs, public float $length)
    {
    }

    public static function of(BeltCode $code): self
    {
        [$pitch, $width] = [$code->section->pitch, $code->section->pitch * $code->ribs];
        $depth = $pitch / 2 / tan(deg2rad(BeltSection::GROOVE / 2)) * 0.62;
        $body = self::BODY * $pitch / 3.56;
        $path = sprintf('M0 0 H%.2F V%.2F', $width, $body);
        for ($i = $code->ribs; $i > 0; --$i) {
            $path .= sprintf(
                ' L%.2F %.2F H%.2F L%.2F %.2F', ($i - 0.19) * $pitch, $body + $depth, ($i - 0.81) * $pitch, ($i - 1) * $pitch, $body,
            );
        }

        return new self($path.' Z', $width, $body + $depth, $code->ribs, $code->length);
    }
}
