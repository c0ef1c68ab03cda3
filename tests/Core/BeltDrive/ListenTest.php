<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\BeltDrive;

use NimbleKnuckle\Core\BeltDrive\HeardDrawing;
use NimbleKnuckle\Core\BeltDrive\NoSound;
use NimbleKnuckle\Core\BeltDrive\NoteDetector;
use NimbleKnuckle\Core\BeltDrive\Pluck;
use NimbleKnuckle\Core\BeltDrive\Recording;
use NimbleKnuckle\Core\BeltDrive\Spectrum;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A plucked belt heard: by the recordings that ship, and by a string of another make (a delay line that loses its highs). */
#[CoversClass(NoteDetector::class)]
#[CoversClass(Pluck::class)]
#[CoversClass(Recording::class)]
#[CoversClass(Spectrum::class)]
#[CoversClass(NoSound::class)]
#[CoversClass(HeardDrawing::class)]
final class ListenTest extends TestCase
{
    /** Within 2 % at 20 dB, with a hum of the mains or none, at several rates: 97 of 100. */
    public function testAHundredStringsOfAnotherMake(): void
    {
        $right = 0;
        $seeds = Sample::seeds(100, 'strings', least: 20);
        foreach ($seeds as $seed) {
            $luck = new Luck(4999 + $seed);
            $hz = $luck->between(28.0, 260.0);
            $hum = [0.0, 50.0, 60.0][(int) $luck->between(0.0, 2.99)];
            $rate = [8000, 16000, 11025][(int) $luck->between(0.0, 2.99)];
            $heard = NoteDetector::to(self::string($luck, $hz, $hum, $rate));
            $right += abs($heard->note / $hz - 1) < 0.02 && $heard->isSure() ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(Sample::floor(0.97, count($seeds)), $right);
    }

    public function testTheRecordingsThatShip(): void
    {
        foreach ([31.0, 47.0, 84.0, 133.0, 210.0] as $hz) {
            foreach ([0.0, 60.0] as $hum) {
                $heard = NoteDetector::to(Recording::wav(Pluck::recording($hz, 20.0, $hum, 7)->asWav()));
                self::assertEqualsWithDelta($hz, $heard->note, 0.02 * $hz);
                self::assertTrue($heard->isSure());
                self::assertEqualsWithDelta(0.6, $heard->at, 0.05);
            }
        }
    }

    /** Where nothing was plucked nothing is said: noise, a hum, silence with a click. */
    public function testNothingIsHeardInNoiseOrHum(): void
    {
        for ($seed = 0; $seed < 12; ++$seed) {
            $luck = new Luck($seed);
            $samples = [];
            for ($i = 0; $i < 12_000; ++$i) {
                $samples[] = 0.1 * $luck->normal() + (0 === $seed % 2 ? 0.5 * sin(2 * \M_PI * 50 * $i / 8000) : 0.0);
            }
            self::assertFalse(NoteDetector::to(new Recording($samples, 8000))->isSure(), 'seed '.$seed);
        }
    }

    public function testATransformAgainstItsDefinition(): void
    {
        $luck = new Luck(3);
        $samples = array_map(static fn (int $i): float => $luck->normal(), range(1, 32));
        foreach (Spectrum::of($samples)->power() as $k => $power) {
            [$re, $im] = [0.0, 0.0];
            foreach ($samples as $i => $sample) {
                $re += $sample * cos(2 * \M_PI * $i * $k / 32);
                $im += $sample * sin(2 * \M_PI * $i * $k / 32);
            }
            self::assertEqualsWithDelta($re ** 2 + $im ** 2, $power, 1e-9);
        }
    }

    #[DataProvider('depths')]
    public function testWavOfAnyDepthIsTheSameSound(int $bits, int $channels, int $kind, float $near): void
    {
        $said = [0.0, 0.5, -0.5, 0.99, -1.0];
        $data = '';
        foreach ($said as $one) {
            for ($c = 0; $c < $channels; ++$c) {
                $value = 0 === $c ? $one : 0.123;
                $data .= match (true) {
                    3 === $kind => pack('g', $value),
                    8 === $bits => chr((int) round(128 + 127 * $value)),
                    default => substr(pack('V', (int) round($value * ((1 << ($bits - 1)) - 1)) & 0xFFFFFFFF), 0, intdiv($bits, 8)),
                };
            }
        }
        $each = intdiv($bits, 8) * $channels;
        $format = pack('vvVVvv', $kind, $channels, 8000, 8000 * $each, $each, $bits);
        $wav = 'RIFF'.pack('V', 0).'WAVELIST'.pack('V', 3).'abc'."\0".'fmt '.pack('V', 16).$format.'data'.pack('V', strlen($data)).$data;
        $read = Recording::wav($wav);
        self::assertSame(8000, $read->rate);
        self::assertCount(5, $read->samples);
        self::assertEqualsWithDelta($said, $read->samples, $near);
    }

    /** @return iterable<string, array{int, int, int, float}> */
    public static function depths(): iterable
    {
        yield '8' => [8, 1, 1, 0.01];
        yield '16' => [16, 1, 1, 1e-4];
        yield '16 of two channels' => [16, 2, 1, 1e-4];
        yield '24' => [24, 1, 1, 1e-6];
        yield '32' => [32, 1, 1, 1e-8];
        yield 'float' => [32, 1, 3, 1e-6];
    }

    #[DataProvider('bad')]
    public function testWhatIsNoSoundIsRefused(string $bytes, string $says): void
    {
        $this->expectException(NoSound::class);
        $this->expectExceptionMessage($says);
        NoteDetector::to(Recording::wav($bytes));
    }

    /** @return iterable<string, array{string, string}> */
    public static function bad(): iterable
    {
        $head = static fn (int $kind, int $rate, int $bits, int $size): string => 'RIFF'.pack('V', 0).'WAVEfmt '
            .pack('VvvVVvv', 16, $kind, 1, $rate, $rate, 2, $bits).'data'.pack('V', $size);
        yield 'nothing' => ['', 'no WAV'];
        yield 'a picture' => ["\x89PNG\r\n", 'no WAV'];
        yield 'no data' => ['RIFF'.pack('V', 4).'WAVE', 'no WAV'];
        yield 'squeezed' => [$head(85, 8000, 16, 4).'abcd', 'not read here'];
        yield 'twelve bits' => [$head(1, 8000, 12, 4).'abcd', 'not read here'];
        yield 'no rate' => [$head(1, 0, 16, 4).'abcd', 'not read here'];
        yield 'empty' => [$head(1, 8000, 16, 0), 'no sound'];
        yield 'too short' => [$head(1, 8000, 16, 200).str_repeat('ab', 100), 'no sound'];
        yield 'too long' => [$head(1, 2000, 8, 50_000).str_repeat('a', 50_000), 'longer than 20'];
    }

    public function testItIsDrawnOverItsSeconds(): void
    {
        $recording = Pluck::recording(84.0, 20.0, 0.0, 1);
        $plot = HeardDrawing::of($recording, NoteDetector::to($recording));
        self::assertCount(1, $plot->lines);
        self::assertCount(1, $plot->marks);
    }

    /** A plucked string by Karplus and Strong, tuned by an all-pass, with noise 20 dB under it. */
    private static function string(Luck $luck, float $hz, float $hum, int $rate): Recording
    {
        $at = (int) ($rate * $luck->between(0.3, 0.6));
        $whole = (int) floor($rate / $hz - 0.5);
        $rest = $rate / $hz - 0.5 - $whole;
        $tune = (1 - $rest) / (1 + $rest);
        $where = max(1, (int) ($whole * $luck->between(0.15, 0.4)));
        $line = array_map(
            static fn (int $i): float => $i < $where ? $i / $where : ($whole - $i) / max(1, $whole - $where),
            range(0, $whole - 1),
        );
        $mean = array_sum($line) / $whole;
        $line = array_map(static fn (float $one): float => $one - $mean, $line);
        $loss = exp(-\M_LN2 / ($luck->between(0.08, 0.25) * $hz));
        $out = array_fill(0, (int) (1.4 * $rate), 0.0);
        [$last, $in, $back] = [0.0, 0.0, 0.0];
        for ($i = $at, $k = 0, $end = count($out); $i < $end; ++$i, ++$k) {
            $out[$i] = $now = $line[$k % $whole];
            $mixed = 0.5 * ($now + $last) * $loss;
            [$last, $back] = [$now, $tune * $mixed + $in - $tune * $back];
            $in = $mixed;
            $line[$k % $whole] = $back;
        }
        $sounding = array_slice($out, $at, (int) (0.3 * $rate));
        $size = sqrt(array_sum(array_map(static fn (float $one): float => $one ** 2, $sounding)) / count($sounding));
        $phase = $luck->between(0.0, 6.28);
        foreach ($out as $i => $one) {
            $mains = 2 * \M_PI * $hum * $i / $rate;
            $out[$i] = $one + $size * (0.1 * $luck->normal() + ($hum > 0.0 ? 0.7 * sin($mains + $phase) + 0.2 * sin(2 * $mains) : 0.0));
        }
        $most = max(1e-9, ...array_map(abs(...), array_values($out)));

        return Recording::wav(
            (new Recording(array_map(static fn (float $one): float => 0.8 * $one / $most, array_values($out)), $rate))->asWav(),
        );
    }
}
