<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** A sound as it was recorded: samples from −1 to 1, one channel, and how many a second. Read from and written as RIFF WAVE. */
final readonly class Recording
{
    public const MOST_SECONDS = 20.0;
    private const PCM = 1;
    private const FLOATS = 3;
    private const EXTENSIBLE = 0xFFFE;

    /** @param list<float> $samples */
    public function __construct(public array $samples, public int $rate)
    {
    }

    public function seconds(): float
    {
        return count($this->samples) / $this->rate;
    }

    /** @throws NoSound with the remedy */
    public static function wav(string $bytes): self
    {
        str_starts_with($bytes, 'RIFF') && 'WAVE' === substr($bytes, 8, 4) || throw NoSound::notWav();
        $format = null;
        for ($at = 12, $end = strlen($bytes); $at + 8 <= $end; $at += 8 + $size + $size % 2) {
            $size = self::number('V', $bytes, $at + 4);
            $name = substr($bytes, $at, 4);
            if ('fmt ' === $name && $size >= 16) {
                $format = substr($bytes, $at + 8, $size);
            } elseif ('data' === $name && null !== $format) {
                return self::read($format, substr($bytes, $at + 8, $size));
            }
        }

        throw NoSound::notWav();
    }

    private static function read(string $format, string $data): self
    {
        $kind = self::number('v', $format, 0);
        $kind = self::EXTENSIBLE === $kind && strlen($format) >= 26 ? self::number('v', $format, 24) : $kind;
        [$channels, $rate, $bits] = [self::number('v', $format, 2), self::number('V', $format, 4), self::number('v', $format, 14)];
        $isUsual = $channels >= 1 && $channels <= 8 && $rate >= 2000 && $rate <= 192_000;
        $isUsual && self::isKnown($kind, $bits) || throw NoSound::unknownKind();
        $each = intdiv($bits, 8);
        $frames = intdiv(strlen($data), $each * $channels);
        $frames > 0 || throw NoSound::empty();
        $frames <= self::MOST_SECONDS * $rate || throw NoSound::tooLong();
        $samples = [];
        for ($i = 0; $i < $frames; ++$i) {
            $samples[] = self::sample($data, $i * $each * $channels, $bits, self::FLOATS === $kind);
        }

        return new self($samples, $rate);
    }

    private static function isKnown(int $kind, int $bits): bool
    {
        return self::FLOATS === $kind ? 32 === $bits : self::PCM === $kind && in_array($bits, [8, 16, 24, 32], true);
    }

    private static function sample(string $data, int $at, int $bits, bool $isFloat): float
    {
        if ($isFloat) {
            $value = unpack('g', $data, $at)[1] ?? 0.0;

            return is_float($value) && is_finite($value) ? max(-1.0, min(1.0, $value)) : 0.0;
        }
        if (8 === $bits) {
            return (ord($data[$at]) - 128) / 128;
        }
        $raw = 0;
        for ($i = intdiv($bits, 8) - 1; $i >= 0; --$i) {
            $raw = $raw << 8 | ord($data[$at + $i]);
        }
        $full = 1 << ($bits - 1);

        return ($raw >= $full ? $raw - 2 * $full : $raw) / $full;
    }

    private static function number(string $code, string $bytes, int $at): int
    {
        $read = strlen($bytes) >= $at + ('V' === $code ? 4 : 2) ? unpack($code, $bytes, $at) : false;

        return is_array($read) && is_int($read[1] ?? null) ? $read[1] : 0;
    }

    /** As a file: one channel, 16 bits. */
    public function asWav(): string
    {
        $data = '';
        foreach ($this->samples as $sample) {
            $data .= pack('v', (int) round(32767 * max(-1.0, min(1.0, $sample))) & 0xFFFF);
        }

        return 'RIFF'.pack('V', 36 + strlen($data)).'WAVEfmt '.pack('VvvVVvv', 16, self::PCM, 1, $this->rate, 2 * $this->rate, 2, 16)
            .'data'.pack('V', strlen($data)).$data;
    }
}
