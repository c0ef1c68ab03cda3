<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fastening;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * A screw thread on the 60° basic profile (ISO 68-1; unified threads share it, ASME B1.1). Sizes in mm.
 */
final readonly class Thread
{
    /** Coarse pitches, ISO 261. */
    private const COARSE = ['3' => 0.5, '4' => 0.7, '5' => 0.8, '6' => 1.0, '7' => 1.0, '8' => 1.25, '10' => 1.5, '12' => 1.75, '14' => 2.0, '16' => 2.0, '18' => 2.5, '20' => 2.5, '22' => 2.5, '24' => 3.0];
    /** Nominal inch diameters; a number size is 0.060 + 0.013 n inch, ASME B1.1. */
    private const INCH = ['#6' => 0.138, '#8' => 0.164, '#10' => 0.190, '#12' => 0.216, '1/4' => 0.25, '5/16' => 0.3125, '3/8' => 0.375, '7/16' => 0.4375, '1/2' => 0.5, '9/16' => 0.5625, '5/8' => 0.625, '3/4' => 0.75];
    private const UNC = ['#6' => 32, '#8' => 32, '#10' => 24, '#12' => 24, '1/4' => 20, '5/16' => 18, '3/8' => 16, '7/16' => 14, '1/2' => 13, '9/16' => 12, '5/8' => 11, '3/4' => 10];
    private const UNF = ['#6' => 40, '#8' => 36, '#10' => 32, '#12' => 28, '1/4' => 28, '5/16' => 24, '3/8' => 24, '7/16' => 20, '1/2' => 20, '9/16' => 18, '5/8' => 18, '3/4' => 16];

    private function __construct(public string $name, public float $diameter, public float $pitch, public string $size)
    {
    }

    /**
     * «M6», «M10x1.25», «5/16-18 UNC», «5/16-24», «#10-32», «3/8 UNF».
     *
     * @throws InvalidInput on the field named
     */
    public static function parse(string $text, string $field = 'thread'): self
    {
        $clean = mb_strtoupper(strtr(trim($text), ['×' => 'x', '*' => 'x', ',' => '.', '−' => '-', '–' => '-']));

        return self::metric($clean) ?? self::unified($clean) ?? throw InvalidInput::in($field, sprintf('«%s» is not a thread we know: write it like M8, M10x1.25, 5/16-18 or #10-32.', InvalidQuantity::quote($text)));
    }

    /** Pitch diameter d2 in mm. */
    public function pitchDiameter(): float
    {
        return $this->diameter - 0.649519 * $this->pitch;
    }

    /** Root diameter d3 in mm. */
    public function rootDiameter(): float
    {
        return $this->diameter - 1.226869 * $this->pitch;
    }

    /** Stress diameter dS = (d2 + d3)/2 in mm. */
    public function stressDiameter(): float
    {
        return ($this->pitchDiameter() + $this->rootDiameter()) / 2;
    }

    /** Stress area AS = π dS²/4 in mm², ISO 898-1. */
    public function stressArea(): float
    {
        return \M_PI * $this->stressDiameter() ** 2 / 4;
    }

    /** Shear area of the internal thread over an engagement in mm: 0.875 π d Le, mm². */
    public function internalShearArea(float $engagement): float
    {
        return 0.875 * \M_PI * $this->diameter * $engagement;
    }

    private static function metric(string $text): ?self
    {
        if (1 !== preg_match('~\AM\s?(?<d>\d{1,2}(?:\.\d)?)(?:\s?[X-]\s?(?<p>\d(?:\.\d{1,3})?))?\z~', $text, $m)) {
            return null;
        }
        $size = rtrim(rtrim($m['d'].(str_contains($m['d'], '.') ? '' : '.0'), '0'), '.');
        $coarse = self::COARSE[$size] ?? null;
        $pitch = isset($m['p']) ? (float) $m['p'] : $coarse;
        if (null === $coarse || null === $pitch || $pitch < 0.2 || $pitch > $coarse) {
            return null;
        }
        $name = 'M'.$size.(abs($pitch - $coarse) < 1e-9 ? '' : 'x'.rtrim(rtrim(number_format($pitch, 3, '.', ''), '0'), '.'));

        return new self($name, (float) $size, $pitch, 'M'.$size);
    }

    private static function unified(string $text): ?self
    {
        if (1 !== preg_match('~\A(?:NO\.?\s?(?=\d))?(?<size>#?\s?\d{1,2}(?:/\d{1,2})?)(?:\s?IN|")?(?:\s?-\s?(?<tpi>\d{1,2}))?\s?(?<series>UNC|UNF)?\z~', $text, $m)) {
            return null;
        }
        $size = str_replace(' ', '', $m['size']);
        $size = isset(self::INCH[$size]) ? $size : '#'.$size;
        if (!isset(self::INCH[$size])) {
            return null;
        }
        $series = $m['series'] ?? '';
        $tpi = '' !== ($m['tpi'] ?? '') ? (int) $m['tpi'] : match ($series) {
            'UNC' => self::UNC[$size],
            'UNF' => self::UNF[$size],
            default => 0,
        };
        $agrees = match ($series) {
            'UNC' => $tpi === self::UNC[$size],
            'UNF' => $tpi === self::UNF[$size],
            default => $tpi === self::UNC[$size] || $tpi === self::UNF[$size],
        };

        return $agrees ? new self(sprintf('%s-%d %s', $size, $tpi, $tpi === self::UNC[$size] ? 'UNC' : 'UNF'), self::INCH[$size] * 25.4, 25.4 / $tpi, $size) : null;
    }
}
