<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Authoring\ProcedureCheck;
use NimbleKnuckle\App\Authoring\ProcedureController;
use NimbleKnuckle\App\Authoring\YamlLine;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\App\Procedures\ProcedureText;
use NimbleKnuckle\App\Procedures\ProcedureTexts;
use NimbleKnuckle\App\Schemas\SchemaBook;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\Yaml\Yaml;

/** Procedures in the browser: read, looked over, written, taken in and away; and a fit keeps the text it was planned with. */
#[CoversClass(ProcedureCheck::class)]
#[CoversClass(ProcedureController::class)]
#[CoversClass(ProcedureShelf::class)]
#[CoversClass(ProcedureText::class)]
#[CoversClass(ProcedureTexts::class)]
#[CoversClass(SchemaBook::class)]
#[CoversClass(YamlLine::class)]
final class ProceduresTest extends AppTestCase
{
    public function testEveryShippedOneCanBeReadAndCopiedUnchanged(): void
    {
        $this->signIn('ines');
        $shelf = $this->service(ProcedureShelf::class);
        foreach ($shelf->all() as $id => $procedure) {
            $crawler = $this->client->request('GET', '/procedures/'.$id);
            self::assertResponseIsSuccessful();
            self::assertCount(count($procedure->operations), $crawler->filter('.steps-read li'), $id);
            $crawler = $this->client->request('GET', '/procedures/write?of='.$id);
            self::assertSelectorTextContains('#found', 'reads well');
            self::assertSame($shelf->text($id), $crawler->filter('#yaml')->text(null, false));
        }
        self::assertSelectorTextContains('#found', 'Nothing against it');
    }

    public function testOneIsWrittenAndEveryVersionIsKept(): void
    {
        $this->signIn('ines');
        $shelf = $this->service(ProcedureShelf::class);
        $shipped = (string) $shelf->text('starter');
        $this->write(strtr($shipped, ['title: Starter motor' => 'title: Starter, our way']), 'keep');
        self::assertResponseRedirects('/procedures/starter');
        $this->write(strtr($shipped, ['title: Starter motor' => 'title: Starter, our second way']), 'keep');
        $crawler = $this->client->followRedirect();
        self::assertSame('Starter, our second way', $shelf->procedure('starter')?->title);
        self::assertSame(
            ['Version 2, planned with now', 'Version 1'], $crawler->filter('#versions b')->each(static fn ($one): string => $one->text()),
        );
        self::assertSelectorTextContains('#versions', 'Ines Tarrow');
        $crawler = $this->client->click($crawler->selectLink('Go back to it: version 1')->link());
        self::assertStringContainsString('Starter, our way', $crawler->filter('#yaml')->text());
        $this->client->submit($crawler->selectButton('Save over the one there is')->form());
        $crawler = $this->client->followRedirect();
        self::assertCount(2, $crawler->filter('#versions b'), 'the same text is the same version');
        self::assertSame('Starter, our way', $shelf->procedure('starter')?->title);
        $this->client->submit($crawler->selectButton('Plan with the shipped one again')->form());
        self::assertSame('Starter motor', $shelf->procedure('starter')?->title);
        self::assertCount(2, $this->service(ProcedureTexts::class)->versions('starter'));
    }

    public function testAFitKeepsTheTextItWasPlannedWith(): void
    {
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/start?vehicle=corrin-drover-27d&procedure=starter');
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $fit = $this->client->followRedirect()->getUri() ?? '';
        $shipped = (string) $this->service(ProcedureShelf::class)->text('starter');
        $step = 'Old and new side by side, look at the ring gear';
        self::assertStringContainsString($step, $this->client->request('GET', $fit)->html());
        $this->write(strtr($shipped, [$step => 'Lay the two beside each other']), 'keep');
        self::assertResponseRedirects();
        $crawler = $this->client->request('GET', $fit.'/replan');
        $this->client->submit($crawler->selectButton('Show what changes')->form(), ['item' => 'Bracket', 'before' => 'starter']);
        self::assertResponseIsSuccessful('how many fasteners may be left empty');
        $this->client->submit($this->client->getCrawler()->filter('button[name=adopt]')->form());
        self::assertStringContainsString($step, $this->client->request('GET', $fit)->html(), 'as it was planned');
        $crawler = $this->client->request('GET', '/start?vehicle=corrin-drover-27d&procedure=starter');
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $html = $this->client->followRedirect()->html();
        self::assertStringContainsString('Lay the two beside each other', $html, 'a new fit takes the new one');
    }

    /** @return iterable<string, array{array<string, string>, int, string}> what is replaced in the starter, line, what is said */
    public static function faults(): iterable
    {
        yield 'an unknown phase' => [['phase: strip' => 'phase: stripping'], 0, 'decide, make-safe, strip, measure, fit, rebuild, prove'];
        yield 'an unknown deed' => [['do: remove' => 'do: explode'], 0, 'hand-over, release'];
        yield 'a word that is none' => [['title: Starter motor' => "titel: Starter\ntitle: Starter motor"], 0, 'titel is not known here'];
        yield 'no title' => [['title: Starter motor' => ''], 0, 'title is missing'];
        yield 'not YAML' => [['title: Starter motor' => "\ttitle: Starter"], 3, 'Not YAML'];
        yield 'a part there is none of' => [['include: battery-off' => 'include: battery-out'], 0, 'there is no such common part'];
        yield 'twice the same id' => [['id: starter-parts' => 'id: starter-prove'], 0, 'stands here twice'];
    }

    /** @param array<string, string> $change */
    #[DataProvider('faults')]
    public function testWhatIsWrongIsSaidWithItsLineAndNothingIsKept(array $change, int $line, string $says): void
    {
        $this->signIn('ines');
        $text = strtr((string) $this->service(ProcedureShelf::class)->text('starter'), $change);
        $this->write($text, 'keep');
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#found', $says);
        0 === $line || self::assertSelectorTextContains('#found', 'Line '.$line);
        self::assertSame(rtrim($text), rtrim($this->client->getCrawler()->filter('#yaml')->text(null, false)), 'nothing typed is lost');
        self::assertFalse($this->service(ProcedureShelf::class)->isOwn('starter'));
    }

    public function testSeveralFaultsAreSaidAtOnce(): void
    {
        $this->signIn('ines');
        $this->write("format: nimble-knuckle/procedure@1\nid: x\ntitle: X\noperations:\n  - id: a\n    phase: stripp\n    do: check\n"
            ."    title: A\n  - id: b\n    phase: fit\n    do: weld\n    title: B\n", 'look');
        $found = $this->client->getCrawler()->filter('#found b')->each(static fn ($one): string => $one->text());
        self::assertSame(['Line 6', 'Line 11'], $found);
    }

    public function testAFileIsTakenInAndOneIsTakenAway(): void
    {
        $this->signIn('ines');
        $this->client->request('GET', '/procedures/starter/text');
        $text = (string) $this->client->getResponse()->getContent();
        self::assertStringContainsString('starter.yaml', (string) $this->client->getResponse()->headers->get('Content-Disposition'));
        $file = (string) tempnam(sys_get_temp_dir(), 'nk');
        file_put_contents($file, strtr($text, [
            "id: starter\n" => "id: starter-two\n", 'title: Starter motor' => 'title: Second starter',
        ]));
        $this->client->request(
            'POST', '/procedures/write', ['_csrf' => $this->token(), 'do' => 'look', 'yaml' => ''],
            ['file' => new UploadedFile($file, 'mine.yaml', null, null, true)],
        );
        self::assertSelectorTextContains('#found', 'Second starter');
        self::assertNull($this->service(ProcedureShelf::class)->procedure('starter-two'), 'only looked at');
        $this->client->submit($this->client->getCrawler()->selectButton('Save as your own')->form());
        self::assertSame('Second starter', $this->service(ProcedureShelf::class)->all()['starter-two']->title);
        $this->signIn('joss');
        self::assertSame(200, $this->answer('/procedures/starter-two'));
        self::assertSame(403, $this->answer('/procedures/write?of=starter'));
    }

    /** Of every place in every shipped procedure the line that is named holds what stands there. */
    public function testALineIsFoundForEveryPlace(): void
    {
        foreach (glob(dirname(__DIR__, 2).'/procedures/*.yaml') ?: [] as $file) {
            $yaml = (string) file_get_contents($file);
            $lines = explode("\n", $yaml);
            foreach ($this->places(Yaml::parse($yaml), '') as $path => $value) {
                $line = $lines[YamlLine::of($yaml, $path) - 1];
                $key = substr((string) strrchr('.'.$path, '.'), 1);
                $holds = !ctype_digit($key) && str_contains($line, $key.':') || str_contains($line, substr($value, 0, 12));
                self::assertTrue($holds, sprintf('%s %s: “%s”', basename($file), $path, $line));
            }
        }
    }

    /** What may stand in a procedure is described: every field and every value there is a list of. */
    public function testTheGuideNamesEveryFieldAndEveryValue(): void
    {
        $guide = (string) file_get_contents(dirname(__DIR__, 2).'/docs/procedures.md');
        foreach (['procedure-1', 'common-1'] as $name) {
            $schema = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/schemas/'.$name.'.json'), true);
            foreach ($this->named($schema) as $word) {
                self::assertMatchesRegularExpression('/\b'.preg_quote($word, '/').'\b/', $guide, $name.': '.$word);
            }
        }
    }

    /** @return iterable<string> */
    private function named(mixed $schema): iterable
    {
        foreach (is_array($schema) ? $schema : [] as $key => $inner) {
            if ('properties' === $key && is_array($inner)) {
                yield from array_map(strval(...), array_keys($inner));
            } elseif ('enum' === $key && is_array($inner)) {
                yield from array_filter($inner, static fn (mixed $value): bool => is_string($value) && '' !== $value);
            }
            yield from $this->named($inner);
        }
    }

    /** @return iterable<string, string> */
    private function places(mixed $value, string $path): iterable
    {
        foreach (is_array($value) ? $value : [] as $key => $inner) {
            $at = ltrim($path.'.'.$key, '.');
            if (is_string($inner)) {
                yield $at => $inner;
            }
            yield from $this->places($inner, $at);
        }
    }

    private function write(string $yaml, string $do): void
    {
        $this->client->request('POST', '/procedures/write', ['_csrf' => $this->token(), 'yaml' => $yaml, 'do' => $do]);
    }

    private function answer(string $path): int
    {
        $this->client->request('GET', $path);

        return $this->client->getResponse()->getStatusCode();
    }
}
