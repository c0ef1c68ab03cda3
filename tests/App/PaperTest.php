<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Exchange\LabelSheet;
use NimbleKnuckle\App\Exchange\Paper;
use NimbleKnuckle\App\Exchange\PaperTrail;
use NimbleKnuckle\App\Exchange\PrintController;
use NimbleKnuckle\App\Exchange\Printed;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Jobs\JobBook;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Web\Helpers;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;

/** What goes on paper, read off the rendered pages: nothing lies on anything else, nothing runs off, and what matters stands there. */
#[CoversClass(LabelSheet::class)]
#[CoversClass(Paper::class)]
#[CoversClass(PaperTrail::class)]
#[CoversClass(PrintController::class)]
#[CoversClass(Printed::class)]
#[CoversClass(Helpers::class)]
final class PaperTest extends AppTestCase
{
    /** A page of A4 in points. */
    private const PAGE = [595.0, 842.0];

    /** @return iterable<string, array{string, string, list<string>}> */
    public static function sheets(): iterable
    {
        yield 'thermostat' => ['sheet', 'veldra-tarn-20t', ['thermostat-under']];
        yield 'damper, torque and angle' => ['sheet', 'askerby-roan-30t', ['crank-damper']];
        yield 'three jobs at once' => ['sheet', 'corrin-drover-27d', ['water-pump', 'starter', 'gearbox-mount']];
        yield 'plugs and coils' => ['sheet', 'ostrel-vane-s6', ['spark-plugs']];
        yield 'pick list' => ['list', 'corrin-drover-27d', ['water-pump', 'starter']];
        yield 'record of nothing yet' => ['record', 'pelliver-dray-18', ['torque-rod-mounts']];
        yield 'hand-over of nothing yet' => ['hand-over', 'pelliver-dray-18', ['torque-rod-mounts']];
    }

    /** @param list<string> $procedures */
    #[DataProvider('sheets')]
    public function testNoWordLiesOnAnotherOrRunsOffThePage(string $kind, string $vehicle, array $procedures): void
    {
        $this->signIn('ines');
        $fit = $this->service(FitPlanner::class)->plan($this->service(Garage::class)->get($vehicle), $procedures, [], 'Ines Tarrow');
        $this->assertClean($this->words(sprintf('/fits/%s/print/%s', $fit->id, $kind)));
    }

    /** The time lane stands whole between its heading and the first phase, its times under it. */
    public function testTheTimeLaneIsWhole(): void
    {
        $this->signIn('ines');
        $words = $this->words('/fits/'.$this->tarnFit()->id.'/print/sheet');
        $words = array_slice($words, (int) array_search('lane', array_column($words, 'text'), true));
        $at = static fn (string $text): array => array_values(array_filter($words, static fn (array $w): bool => $w['text'] === $text))[0];
        foreach (['hands', 'itself', 'start'] as $label) {
            self::assertGreaterThan($at('lane')['bottom'], $at($label)['top'], $label);
            self::assertLessThan($at('Decide')['top'], $at($label)['bottom'], $label);
        }
        self::assertGreaterThan($at('itself')['bottom'], $at('start')['top'], 'times stand under what they measure');
    }

    public function testASheetSaysHowThisKitIsSetAndInWhichOrder(): void
    {
        $this->signIn('ines');
        $fit = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('askerby-roan-30t'), ['crank-damper', 'serpentine-belt'], [], 'Ines Tarrow',
        );
        $text = $this->text("/fits/$fit->id/print/sheet");
        self::assertMatchesRegularExpression('/at the figure: set 130 N·m on the .{3,20} wrench/', $text);
        self::assertStringContainsString('then 90° further in 2 pulls', $text);
        self::assertStringContainsString('Signed off by', $text);
        self::assertSame(
            ['1st', '2nd', '3rd', '4th', '11th', '12th', '13th', '21st', '22nd', '111th'],
            array_map(Helpers::ordinal(...), [1, 2, 3, 4, 11, 12, 13, 21, 22, 111]),
        );
    }

    public function testTheTargetCardIsTrueToScale(): void
    {
        $this->signIn('ines');
        $pdf = (string) tempnam(sys_get_temp_dir(), 'nk-card-');
        file_put_contents($pdf, $this->pdf('/target-card'));
        (new Process(['pdftoppm', '-gray', '-r', '254', '-singlefile', $pdf, $pdf]))->mustRun();
        $image = (string) file_get_contents($pdf.'.pgm');
        preg_match('~\AP5\s+(\d+)\s+(\d+)\s+255\s~', $image, $head);
        [$wide, $data] = [(int) ($head[1] ?? 0), substr($image, strlen($head[0] ?? ''))];
        // Ten pixels a millimetre: each row of nuts, by the rows of its dark pixels; and the first nut to the last along the top.
        $dark = static fn (int $x, int $y): bool => ord($data[$y * $wide + $x]) < 90;
        $row = static fn (int $y): array => array_values(array_filter(range(0, $wide - 1), static fn (int $x): bool => $dark($x, $y)));
        $y = 0;
        while (self::nutAt($row($y)) < 55) {
            ++$y;
        }
        $row = $row($y + 12);
        self::assertEqualsWithDelta(1300.0, ($row[count($row) - 1] ?? 0) - ($row[0] ?? 0) - self::nutAt($row), 4.0, 'first to last');
        array_map(unlink(...), [$pdf, $pdf.'.pgm']);
        self::assertStringContainsString('100 mm', $this->text('/target-card'));
        $this->assertClean($this->words('/target-card'));
    }

    /**
     * How wide the first run of dark pixels is.
     *
     * @param list<int> $row
     */
    private static function nutAt(array $row): int
    {
        $last = $row[0] ?? 0;
        foreach ($row as $x) {
            if ($x > $last + 1) {
                break;
            }
            $last = $x;
        }

        return $last - ($row[0] ?? 0);
    }

    public function testTheRecordNamesItsReadingsAndItsBoltsInOrder(): void
    {
        $this->signIn('ines');
        $fit = $this->service(FitBook::class)->signed(1)[0]->id;
        $words = $this->words("/fits/$fit/print/record");
        $this->assertClean($words);
        $text = $this->text("/fits/$fit/print/record");
        self::assertStringContainsString('Strength on the glass: 38 %', $text);
        self::assertMatchesRegularExpression('/pump bolts 21 N·m.*? 6, 7, 5, 4, 1, 3, 2 /', $text, 'in the order the layout says');
    }

    public function testTheHandOverSaysWhyWhatAndWhenWithoutJargon(): void
    {
        $this->signIn('ines');
        $fit = $this->service(FitBook::class)->signed(1)[0]->id;
        $job = $this->service(JobBook::class)->of($fit);
        [$job->asked, $job->found] = ['It drips when warm', "Left tyre worn\nWipers hard"];
        [$job->customer, $job->registration] = ['Rosa Quill', 'AB 12'];
        $this->service(JobBook::class)->keep($job);
        $this->client->request('GET', "/fits/$fit/hand-over");
        $page = $this->client->getCrawler()->filter('.hand-over')->text();
        $paper = $this->text("/fits/$fit/print/hand-over");
        $this->assertClean($this->words("/fits/$fit/print/hand-over"));
        foreach (['It drips when warm', 'Water pump', 'Left tyre worn', 'Coolant level', 'Signed off by Ines Tarrow'] as $said) {
            self::assertStringContainsString($said, $page);
            self::assertStringContainsString($said, $paper);
        }
        foreach (['Rosa Quill', 'AB 12', 'Received'] as $said) {
            self::assertStringContainsString($said, $paper);
        }
        foreach ([$page, $paper] as $text) {
            self::assertDoesNotMatchRegularExpression('/01[0-9A-Z]{24}|pump-bolts|water-pump|stage|overrul/', $text, 'no ids, no jargon');
        }
        $this->client->request('GET', '/fits/'.$this->tarnFit()->id.'/hand-over');
        self::assertSelectorTextContains('.hand-over', 'not to be given away');
    }

    /** Width and height of a label, left and top edge of the first one, in mm. */
    private const LABELS = ['cut' => [95.0, 54.0, 10.0, 13.0], '3x8' => [70.0, 37.0, 0.0, 0.5], '2x7' => [99.0, 38.0, 6.0, 15.0]];

    public function testLabelsStandInTheirPlacesOnEverySheetOfThem(): void
    {
        $this->signIn('petra');
        $fit = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('corrin-drover-27d'), ['water-pump', 'starter', 'gearbox-mount'], [], 'Ines Tarrow',
        );
        $crawler = $this->client->request('GET', "/fits/$fit->id/labels");
        $labels = $crawler->filter('.tray-label')->count();
        self::assertGreaterThan(9, $labels);
        foreach (LabelSheet::cases() as $sheet) {
            $words = $this->words(sprintf('/fits/%s/labels?sheet=%s&from=4', $fit->id, $sheet->value));
            $this->assertClean($words);
            $on = $sheet->across() * $sheet->down();
            self::assertSame((int) ceil(($labels + 3) / $on), max([0, ...array_column($words, 'page')]), $sheet->value);
            [$wide, $high, $left, $top] = self::LABELS[$sheet->value];
            $first = array_values(array_filter($words, static fn (array $w): bool => 'Drover' === $w['text']))[0];
            $column = 3 % $sheet->across();
            $row = intdiv(3, $sheet->across());
            $x = ($left + $column * $wide) * 72 / 25.4;
            $y = ($top + $row * $high) * 72 / 25.4;
            self::assertTrue($first['left'] >= $x && $first['left'] <= $x + 30, $sheet->value.': the fourth place across');
            self::assertTrue($first['top'] >= $y && $first['top'] <= $y + 30, $sheet->value.': and down');
        }
        self::assertStringContainsString('back at step', $this->text("/fits/$fit->id/labels?sheet=cut"));
    }

    /** @param list<array{text: string, page: int, left: float, top: float, right: float, bottom: float}> $words */
    private function assertClean(array $words): void
    {
        self::assertGreaterThan(10, count($words));
        foreach ($words as $i => $a) {
            $isOff = $a['left'] < 0.0 || $a['top'] < 0.0 || $a['right'] > self::PAGE[0] || $a['bottom'] > self::PAGE[1];
            $isOff && self::fail(sprintf('“%s” on page %d runs off it', $a['text'], $a['page']));
            for ($j = $i + 1; isset($words[$j]) && $words[$j]['page'] === $a['page']; ++$j) {
                $b = $words[$j];
                $wide = min($a['right'], $b['right']) - max($a['left'], $b['left']);
                $high = min($a['bottom'], $b['bottom']) - max($a['top'], $b['top']);
                // The boxes of letters are higher than the letters: lines may touch, words may not lie on one another.
                $isOn = $wide > 1.0 && $high > 0.45 * min($a['bottom'] - $a['top'], $b['bottom'] - $b['top']);
                $isOn && self::fail(sprintf('“%s” lies on “%s”, page %d', $a['text'], $b['text'], $a['page']));
            }
        }
    }

    /** @return list<array{text: string, page: int, left: float, top: float, right: float, bottom: float}> */
    private function words(string $path): array
    {
        $process = new Process(['pdftotext', '-bbox', '-', '-'], input: $this->pdf($path));
        $process->mustRun();
        $words = [];
        foreach (explode('<page ', $process->getOutput()) as $page => $part) {
            preg_match_all(
                '~<word xMin="([\d.-]+)" yMin="([\d.-]+)" xMax="([\d.-]+)" yMax="([\d.-]+)">(.*?)</word>~', $part, $found, \PREG_SET_ORDER,
            );
            foreach ($found as [, $left, $top, $right, $bottom, $text]) {
                $words[] = [
                    'text' => html_entity_decode($text), 'page' => $page, 'left' => (float) $left, 'top' => (float) $top,
                    'right' => (float) $right, 'bottom' => (float) $bottom,
                ];
            }
        }

        return $words;
    }

    private function text(string $path): string
    {
        $process = new Process(['pdftotext', '-layout', '-', '-'], input: $this->pdf($path));
        $process->mustRun();

        return (string) preg_replace('/\s+/u', ' ', $process->getOutput());
    }

    private function pdf(string $path): string
    {
        $this->client->request('GET', $path);
        self::assertResponseIsSuccessful($path);

        return (string) $this->client->getResponse()->getContent();
    }
}
