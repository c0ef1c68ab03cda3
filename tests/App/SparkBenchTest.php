<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\StepSum;
use NimbleKnuckle\App\Bench\View\AskView;
use NimbleKnuckle\App\Devices\Curve\CrankCurve;
use NimbleKnuckle\App\Devices\Curve\CurveBench;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Known\SparkSums;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Ulid;

/** Starter and plugs at the bench: four voltages and their legs, a recording of the cranking, each plug with gap, face and turns. */
#[CoversClass(AskView::class)]
#[CoversClass(CrankCurve::class)]
#[CoversClass(SparkSums::class)]
#[CoversClass(StepSum::class)]
#[CoversClass(FitNarrative::class)]
final class SparkBenchTest extends AppTestCase
{
    private const BY = 'Joss Wending';
    private const BEFORE = ['volts_rest' => 12.6, 'volts_crank' => 10.4, 'volts_stud' => 9.3, 'volts_ground' => 0.35];

    public function testFourVoltagesSayWhichLegLosesThem(): void
    {
        $record = $this->planned('corrin-drover-27d', 'starter');
        foreach (self::BEFORE as $field => $volts) {
            self::assertNull($this->sum($record, 'starter-prove')['result'], 'not before all four are read');
            $this->read($record, 'starter-prove', $field, $volts, 'V');
        }
        $result = $this->sum($record, 'starter-prove')['result'] ?? self::fail('no result');
        self::assertEqualsWithDelta(0.75, $result->number('feed'), 1e-9);
        self::assertSame(['feed', 'ground'], array_column($result->checks, 'code'));
        self::assertNull($this->sum($record, 'starter-start')['result'], 'those after the work are others');
        foreach (['rest' => 12.6, 'crank' => 10.6, 'stud' => 10.2, 'ground' => 0.1] as $leg => $volts) {
            $this->read($record, 'starter-start', sprintf('volts_%s_after', $leg), $volts, 'V');
        }
        $after = $this->sum($record, 'starter-start')['result'] ?? self::fail('no result after');
        $twice = (new FitNarrative($this->fit($record)))->twice();
        self::assertSame([['12.6 V', '12.6 V'], ['10.4 V', '10.6 V'], ['9.3 V', '10.2 V'], ['0.35 V', '0.1 V']], array_map(
            static fn (array $one): array => [$one['before']->text, $one['after']->text], $twice,
        ));
        self::assertSame(Level::Ok, $after->verdict);
    }

    public function testTheBenchDrawsWhereTheLeadsGo(): void
    {
        $record = $this->planned('corrin-drover-27d', 'starter');
        $this->signIn('joss');
        $page = $this->client->request('GET', sprintf('/fits/%s/bench/starter-prove', $record->id));
        self::assertStringContainsString('Red lead on the battery plus post', (string) $page->filter('svg.meter')->attr('aria-label'));
        $this->read($record, 'starter-prove', 'volts_rest', 12.6, 'V');
        $this->read($record, 'starter-prove', 'volts_crank', 10.4, 'V');
        $page = $this->client->request('GET', sprintf('/fits/%s/bench/starter-prove', $record->id));
        self::assertStringContainsString('battery stud of the solenoid', $page->filter('.leads')->text());
    }

    public function testAnEarthThatStillLosesAfterTheWorkHoldsTheSignature(): void
    {
        $record = $this->planned('corrin-drover-27d', 'starter');
        $loose = fn (): array => array_map(static fn (LooseEnd $one): string => $one->what, SignOff::of($this->fit($record))->looseEnds());
        $this->read($record, 'starter-start', 'volts_ground_after', 0.21, 'V');
        self::assertNotSame([], array_filter($loose(), static fn (string $one): bool => str_contains($one, 'Starter case')));
        $this->read($record, 'starter-start', 'volts_ground_after', 0.2, 'V');
        self::assertSame([], array_filter($loose(), static fn (string $one): bool => str_contains($one, 'Starter case')));
        // The feed is nobody's reading: what it loses shows in what is left at the stud.
        $this->read($record, 'starter-start', 'volts_crank_after', 10.6, 'V');
        self::assertTrue($this->past($record, 'starter-start', 'volts_stud_after', 9.89, 'V'));
        self::assertFalse($this->past($record, 'starter-start', 'volts_stud_after', 9.9, 'V'));
    }

    public function testARecordingWritesTheFourVoltagesDown(): void
    {
        $record = $this->planned('corrin-drover-27d', 'starter');
        $bench = $this->service(CurveBench::class);
        $found = ['none' => 'sound', 'weak-battery' => 'weak-battery', 'bad-earth' => 'bad-earth', 'bad-feed' => 'bad-feed',
            'low-cylinder' => 'low-cylinder'];
        foreach ($found as $fault => $finding) {
            $reading = $bench->simulate($record, 'starter-prove', $fault, 11, ['cylinders' => '4'], self::BY);
            self::assertSame([$finding, 'cranking'], [$reading->finding, $reading->kind]);
            self::assertNotSame('stop', $reading->verdict, 'before the work it is what is looked for');
        }
        $reading = $this->fit($record)->state->reading('starter-prove', 'volts_crank') ?? self::fail('not written down');
        self::assertTrue($reading->isFromCurve());
        $bad = $bench->simulate($record, 'starter-start', 'bad-earth', 11, [], self::BY);
        self::assertSame('stop', $bad->verdict);
        self::assertGreaterThan(0.2, $this->fit($record)->state->reading('starter-start', 'volts_ground_after')->value ?? 0.0);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrong(): iterable
    {
        yield 'two cylinders' => [['cylinders' => '2'], 'cylinders'];
        yield 'half a cylinder' => [['cylinders' => '4.5'], 'cylinders'];
        yield 'a word' => [['cylinders' => 'four'], 'cylinders'];
        yield 'boiling' => [['celsius' => '81 °C'], 'celsius'];
        yield 'another battery' => [['battery' => 'lithium'], 'battery'];
    }

    /** @param array<string, string> $given */
    #[DataProvider('wrong')]
    public function testWhatCannotBeIsNamed(array $given, string $field): void
    {
        $record = $this->planned('corrin-drover-27d', 'starter');
        try {
            $this->service(CurveBench::class)->simulate($record, 'starter-prove', 'none', 11, $given, self::BY);
            self::fail('it was taken');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    public function testARecorderThatSendsHasFourColumns(): void
    {
        $record = $this->planned('corrin-drover-27d', 'starter');
        $book = $this->service(DeviceBook::class);
        [$device, $token] = $book->add('three leads', DeviceKind::Recorder);
        $book->take($device, $record->id, 'starter-prove', self::BY);
        $rows = [];
        for ($i = 0; $i < 150; ++$i) {
            $rows[] = $i < 20 ? [$i / 50, 12.6, 0, 0] : [$i / 50, 10.5, 9.0, 0.6];
        }
        self::assertSame(422, $this->sent($token, array_map(static fn (array $one): array => array_slice($one, 0, 3), $rows)));
        self::assertSame(200, $this->sent($token, $rows));
        self::assertSame('bad-earth', $this->fit($record)->state->curves['starter-prove']->string('finding'));
    }

    public function testPlugsStandSideBySideAsTheyAreRead(): void
    {
        $record = $this->planned('askerby-roan-30t', 'spark-plugs');
        self::assertSame([], $this->sum($record, 'plugs-read')['query']);
        foreach ([1 => [0.92, 1], 2 => [0.94, 1], 3 => [1.15, 4]] as $cylinder => [$gap, $look]) {
            $this->read($record, 'plugs-read', 'plug_old_'.$cylinder, $gap, 'mm');
            $this->read($record, 'plugs-read', 'plug_look_'.$cylinder, (float) $look, '');
        }
        $this->read($record, 'plugs-read', 'plug_old_4', 0.91, 'mm');
        $sum = $this->sum($record, 'plugs-read');
        self::assertSame('1 0.92 even-tan; 2 0.94 even-tan; 3 1.15 white; 4 0.91', $sum['query']['plugs'] ?? '');
        self::assertStringStartsWith('Odd: cylinder 3', ($sum['headline'] ?? self::fail('no headline'))->asLine());
    }

    public function testAllGetOneGapAndTurnInAlike(): void
    {
        $record = $this->planned('askerby-roan-30t', 'spark-plugs');
        $this->read($record, 'plugs-range', 'gap_low', 0.7, 'mm');
        $past = fn (string $step, string $field, float $value, string $unit = 'mm'): bool => $this->past(
            $record, $step, $field, $value, $unit,
        );
        self::assertTrue($past('plugs-range', 'gap_high', 0.69));
        self::assertFalse($past('plugs-range', 'gap_high', 0.8));
        self::assertTrue($past('plugs-end-low', 'gap_set', 0.81), 'the high end is not the low one');
        self::assertFalse($past('plugs-end-low', 'gap_set', 0.7));
        self::assertTrue($past('plugs-gap', 'plug_gap_2', 0.74));
        self::assertFalse($past('plugs-gap', 'plug_gap_2', 0.73));
        self::assertFalse($past('plugs-on', 'plug_turns_1', 7.0, ''));
        self::assertTrue($past('plugs-on', 'plug_turns_4', 5.5, ''));
        self::assertFalse($past('plugs-on', 'plug_turns_4', 6.0, ''));
    }

    public function testWhatTheCoilFiresIsWorkedOut(): void
    {
        $record = $this->planned('askerby-roan-30t', 'spark-plugs', ['plug-end' => 'coil']);
        $given = [
            'spark_boost' => [100.0, 'kPa'], 'spark_ratio' => [9.5, ''], 'spark_advance' => [18.0, '°'], 'spark_air' => [50.0, '°C'],
        ];
        $this->read($record, 'plugs-range', 'gap_low', 0.7, 'mm');
        $this->read($record, 'plugs-range', 'gap_high', 0.8, 'mm');
        foreach ($given as $field => [$value, $unit]) {
            self::assertNull($this->sum($record, 'plugs-end-coil')['result']);
            $this->read($record, 'plugs-end-coil', $field, $value, $unit);
        }
        self::assertSame('0.7-0.8 mm', $this->sum($record, 'plugs-end-coil')['query']['range'] ?? '');
        $this->read($record, 'plugs-end-coil', 'coil_volts', 35000.0, 'V');
        self::assertSame('35 kV', $this->sum($record, 'plugs-end-coil')['query']['coil'] ?? '');
        self::assertNotNull($this->sum($record, 'plugs-end-coil')['result']);
    }

    private function past(FitRecord $record, string $step, string $field, float $value, string $unit): bool
    {
        $this->read($record, $step, $field, $value, $unit);
        $fit = $this->fit($record);
        foreach ($fit->readings()->asks($fit->sheet->step($step) ?? self::fail('no step '.$step)) as $ask) {
            if ($ask->field === $field) {
                return $ask->isOutside($value);
            }
        }
        self::fail($field.' is not asked');
    }

    /** @return array{query: array<string, string|float>, result: ?SumResult, headline: ?Headline} */
    private function sum(FitRecord $record, string $step): array
    {
        $fit = $this->fit($record);

        return $this->service(StepSum::class)->of($fit->sheet->step($step) ?? self::fail('no step '.$step), $fit) ?? self::fail('no sum');
    }

    private function read(FitRecord $record, string $step, string $field, float $value, string $unit): void
    {
        $this->service(Recorder::class)->record($record, [FitEvent::of((string) new Ulid(), EventType::Measured, [
            'step' => $step, 'field' => $field, 'text' => trim($value.' '.$unit), 'value' => $value, 'unit' => $unit ?: '1',
        ], self::BY, new \DateTimeImmutable())], Authority::Server);
    }

    /** @param list<list<float|int>> $rows */
    private function sent(string $token, array $rows): int
    {
        $this->client->request(
            'POST', '/api/readings', server: ['HTTP_AUTHORIZATION' => 'Bearer '.$token, 'CONTENT_TYPE' => 'application/json'],
            content: json_encode([
                'format' => ReadingDocument::FORMAT, 'id' => (string) new Ulid(), 'kind' => 'cranking', 'samples' => $rows, 'done' => true,
            ], \JSON_THROW_ON_ERROR),
        );

        return $this->client->getResponse()->getStatusCode();
    }

    private function fit(FitRecord $record): Fit
    {
        return $this->service(Recorder::class)->load($record);
    }

    /** @param array<string, string> $ways */
    private function planned(string $vehicle, string $procedure, array $ways = []): FitRecord
    {
        return $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get($vehicle), [$procedure], $ways, self::BY, new \DateTimeImmutable(),
        );
    }
}
