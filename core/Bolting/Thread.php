<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\CleanText;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * A screw thread. Metric and unified threads share the 60° basic profile (ISO 68-1, ASME B1.1); G threads have the 55°
 * profile and are parallel (ISO 228-1). Sizes in mm.
 */
final readonly class Thread
{
    /** Coarse pitches, ISO 261. */
    private const COARSE = [
        '3' => 0.5, '4' => 0.7, '5' => 0.8, '6' => 1.0, '7' => 1.0, '8' => 1.25, '10' => 1.5, '12' => 1.75, '14' => 2.0,
        '16' => 2.0, '18' => 2.5, '20' => 2.5, '22' => 2.5, '24' => 3.0,
    ];
    /** Fine pitches, ISO 261. */
    private const FINE = [
        '3' => [0.35], '4' => [0.5], '5' => [0.5], '6' => [0.75], '7' => [0.75], '8' => [1.0, 0.75], '10' => [1.25, 1.0, 0.75],
        '12' => [1.5, 1.25, 1.0], '14' => [1.5, 1.25, 1.0], '16' => [1.5, 1.0], '18' => [2.0, 1.5, 1.0], '20' => [2.0, 1.5, 1.0],
        '22' => [2.0, 1.5, 1.0], '24' => [2.0, 1.5, 1.0],
    ];
    /** Nominal inch diameters; a number size is 0.060 + 0.013 n inch, ASME B1.1. */
    private const INCH = [
        '#6' => 0.138, '#8' => 0.164, '#10' => 0.190, '#12' => 0.216, '1/4' => 0.25, '5/16' => 0.3125, '3/8' => 0.375,
        '7/16' => 0.4375, '1/2' => 0.5, '9/16' => 0.5625, '5/8' => 0.625, '3/4' => 0.75,
    ];
    private const UNC = [
        '#6' => 32, '#8' => 32, '#10' => 24, '#12' => 24, '1/4' => 20, '5/16' => 18, '3/8' => 16, '7/16' => 14, '1/2' => 13,
        '9/16' => 12, '5/8' => 11, '3/4' => 10,
    ];
    private const UNF = [
        '#6' => 40, '#8' => 36, '#10' => 32, '#12' => 28, '1/4' => 28, '5/16' => 24, '3/8' => 24, '7/16' => 20, '1/2' => 20,
        '9/16' => 18, '5/8' => 18, '3/4' => 16,
    ];
    /** G size => major diameter in mm, threads an inch: ISO 228-1. */
    private const PIPE = [
        '1/8' => [9.728, 28], '1/4' => [13.157, 19], '3/8' => [16.662, 19], '1/2' => [20.955, 14], '5/8' => [22.911, 14],
        '3/4' => [26.441, 14], '7/8' => [30.201, 14], '1' => [33.249, 11],
    ];
    private const TAPER = '~\A(?:(?:[0-9]{1,2}/)?[0-9]{1,2}"?(?:-[0-9]{1,2}(?:\.[0-9])?)?\s?)?(?:NPTF?|BSPT|R[CP]?)(?:\s?[0-9].*)?\z~';
    /** A tolerance class behind a thread says nothing of its size: 6g, 6H, 2A. */
    private const TOLERANCE = '~(?<=[0-9CF])[\s-]+(?:[4-8][GHEF](?:[4-8][GH])?|[123][AB])\z~';
    private const ISO_PITCH = 0.649519;
    private const ISO_ROOT = 1.226869;
    /** Shear areas on the basic profile, ISO 68-1, mm². */
    public const INTERNAL = '0.875 π d Le';
    public const EXTERNAL = '0.75 π D1 Le';
    private const WHITWORTH_PITCH = 0.640327;
    private const WHITWORTH_ROOT = 1.280654;

    private function __construct(
        public string $name, public float $diameter, public float $pitch, public string $size,
        private float $toPitch = self::ISO_PITCH, private float $toRoot = self::ISO_ROOT,
    ) {
    }

    /**
     * “M6”, “M10x1.25”, “5/16-18 UNC”, “5/16-24”, “#10-32”, “3/8 UNF”, “G1/4”.
     *
     * @throws InvalidInput on the field named
     */
    public static function parse(string $text, string $field = 'thread'): self
    {
        try {
            $clean = CleanText::of($text);
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($field, $e->getMessage());
        }
        $clean = mb_strtoupper(
            strtr(
                $clean,
                ['×' => 'x', '*' => 'x', ',' => '.'] + array_map(static fn (array $f): string => $f[0].'/'.$f[1], CleanText::FRACTIONS),
            ),
        );
        if (1 === preg_match(self::TAPER, $clean)) {
            throw InvalidInput::in($field, sprintf(
                '“%s” is a taper pipe thread: it seals by turns past hand-tight, one and a half to two, and no torque figure '
                    .'can be worked out for it.',
                InvalidQuantity::quote($text),
            ));
        }
        $bare = (string) preg_replace(self::TOLERANCE, '', $clean);

        return self::metric($bare, $field) ?? self::unified($bare) ?? self::pipe($bare) ?? throw InvalidInput::in($field, sprintf(
            '“%s” is not a thread we know: write it like M8, M10x1.25, 5/16-18, #10-32 or G1/4.', InvalidQuantity::quote($text),
        ));
    }

    /** @return list<self> every thread of the tables: metric coarse and fine, UNC and UNF, G */
    public static function all(): array
    {
        $all = [];
        foreach (self::COARSE as $size => $coarse) {
            foreach ([$coarse, ...self::FINE[$size]] as $pitch) {
                $all[] = self::parse('M'.$size.'x'.$pitch);
            }
        }
        foreach (array_keys(self::INCH) as $size) {
            $all[] = self::parse($size.' UNC');
            $all[] = self::parse($size.' UNF');
        }
        foreach (array_keys(self::PIPE) as $size) {
            $all[] = self::parse('G'.$size);
        }

        return $all;
    }

    public function isPipe(): bool
    {
        return str_starts_with($this->size, 'G');
    }

    public function isUnified(): bool
    {
        return !$this->isPipe() && !$this->isMetric();
    }

    public function isMetric(): bool
    {
        return str_starts_with($this->size, 'M');
    }

    /** Pitch diameter d2 in mm. */
    public function pitchDiameter(): float
    {
        return $this->diameter - $this->toPitch * $this->pitch;
    }

    /** Root diameter d3 in mm. */
    public function rootDiameter(): float
    {
        return $this->diameter - $this->toRoot * $this->pitch;
    }

    /** Minor diameter of the nut's basic profile D1 = d − 1.082532 P in mm (G: the root, as both crests are round). */
    public function minorDiameter(): float
    {
        return $this->isPipe() ? $this->rootDiameter() : $this->diameter - 1.082532 * $this->pitch;
    }

    /** Stress diameter in mm: dS = (d2 + d3)/2, or that of the unified thread's own area √(4 AS/π). */
    public function stressDiameter(): float
    {
        return $this->isUnified() ? sqrt(4 * $this->stressArea() / \M_PI) : ($this->pitchDiameter() + $this->rootDiameter()) / 2;
    }

    /** mm², ISO 898-1; of a unified thread ASME B1.1. */
    public function stressArea(): float
    {
        return $this->areaFormula()->value;
    }

    /** mm². */
    public function areaFormula(): Formula
    {
        return $this->isUnified()
            ? Formula::of('AS = 0.7854 (d − 0.9743 P)²', ['d' => $this->diameter, 'P' => $this->pitch])
            : Formula::of('AS = π ((d2 + d3)/2)² / 4', ['d2' => $this->pitchDiameter(), 'd3' => $this->rootDiameter()]);
    }

    /** Of the internal thread over an engagement in mm, mm². */
    public function internalShearArea(float $engagement): float
    {
        return Formula::of(self::INTERNAL, ['d' => $this->diameter, 'Le' => $engagement])->value;
    }

    /** Of the bolt's own thread over an engagement in mm, mm². */
    public function externalShearArea(float $engagement): float
    {
        return Formula::of(self::EXTERNAL, ['D1' => $this->minorDiameter(), 'Le' => $engagement])->value;
    }

    private static function metric(string $text, string $field): ?self
    {
        if (1 !== preg_match(
            '~\A(?:M\s?(?<d>[0-9]{1,2}(?:\.[0-9])?)(?:\s?[X-]\s?(?<p>[0-9]?(?:\.[0-9]{1,3})?)(?:\s?MM)?)?|(?<mm>[0-9]{1,2})\s?MM)\z~',
            $text, $m,
        )) {
            return null;
        }
        $d = $m['d'].($m['mm'] ?? '');
        $size = rtrim(rtrim($d.(str_contains($d, '.') ? '' : '.0'), '0'), '.');
        $coarse = self::COARSE[$size] ?? null;
        if (null === $coarse) {
            return null;
        }
        $pitches = [$coarse, ...self::FINE[$size]];
        $pitch = '' !== ($m['p'] ?? '') ? (float) $m['p'] : $coarse;
        in_array($pitch, $pitches, true) || throw InvalidInput::in($field, sprintf(
            'M%s has no pitch of %s: it comes with %s (coarse), %s.', $size, $m['p'] ?? '', $coarse, implode(', ', self::FINE[$size]),
        ));

        return new self('M'.$size.($pitch === $coarse ? '' : 'x'.$pitch), (float) $size, $pitch, 'M'.$size);
    }

    private static function pipe(string $text): ?self
    {
        $pattern = '~\A(?:(?:G|BSPP?|R?P)\s?(?<size>[0-9](?:/[0-9])?)(?:\s?A|\s?B)?(?:\s?-\s?[0-9]{2})?'
            .'|(?<first>[0-9](?:/[0-9])?)(?:\s?IN|")?\s?(?:BSPP?|G))\z~';
        if (1 !== preg_match($pattern, $text, $m)) {
            return null;
        }
        $size = $m['size'].($m['first'] ?? '');
        if (!isset(self::PIPE[$size])) {
            return null;
        }
        [$diameter, $tpi] = self::PIPE[$size];

        return new self('G'.$size, $diameter, 25.4 / $tpi, 'G'.$size, self::WHITWORTH_PITCH, self::WHITWORTH_ROOT);
    }

    private static function unified(string $text): ?self
    {
        if (1 !== preg_match(
            '~\A(?:NO\.?\s?(?=\d))?(?<size>#?\s?\d{1,2}(?:/\d{1,2})?)(?:\s?IN|")?'
                .'(?:\s?[X-]\s?(?<tpi>\d{1,2}))?\s?-?\s?(?<series>UNC|UNF)?\z~',
            $text, $m,
        )) {
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

        return $agrees ? new self(
            sprintf('%s-%d %s', $size, $tpi, $tpi === self::UNC[$size] ? 'UNC' : 'UNF'), self::INCH[$size] * 25.4, 25.4 / $tpi,
            $size,
        ) : null;
    }
}
