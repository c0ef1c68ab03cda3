<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Costs\AccountDocument;
use NimbleKnuckle\App\Costs\CostBook;
use NimbleKnuckle\App\Costs\CostController;
use NimbleKnuckle\App\Costs\CostForm;
use NimbleKnuckle\App\Costs\PriceController;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Schemas\SchemaBook;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

/** What a fit took: hours of each, parts with numbers and prices, a range before and a figure after, and all of it as a table. */
#[CoversClass(AccountDocument::class)]
#[CoversClass(CostBook::class)]
#[CoversClass(CostController::class)]
#[CoversClass(CostForm::class)]
#[CoversClass(PriceController::class)]
final class CostsTest extends AppTestCase
{
    public function testPartsAreWrittenDownOnceAndKnownFromThenOn(): void
    {
        $this->signIn('ines');
        $this->client->submit($this->client->request('GET', '/workshop')->selectButton('Save')->form(), [
            'rate' => '74,50', 'currency' => 'marks', 'letterhead' => "Sallow Lane 4\nBelow the hill",
        ]);
        self::assertResponseRedirects();
        $fit = $this->signed();
        $this->signIn('joss');
        $crawler = $this->client->request('GET', "/fits/$fit/cost");
        $form = $crawler->selectButton('Save')->form();
        $names = $form->getPhpValues()['name'];
        self::assertIsArray($names);
        $values = ['name' => $names, 'number' => [], 'used' => [], 'each' => []];
        foreach (array_keys($names) as $i) {
            [$values['number'][$i], $values['used'][$i], $values['each'][$i]] = [0 === $i ? 'P-1' : '', '', 0 === $i ? '80' : ''];
        }
        $last = count($names) - 1;
        [$values['name'][$last], $values['number'][$last]] = ['stud, M8', 'S 8'];
        [$values['used'][$last], $values['each'][$last]] = ['2', '1,50'];
        $this->client->request('POST', "/fits/$fit/cost", $values + ['_csrf' => $this->token()]);
        self::assertResponseRedirects();
        $crawler = $this->client->followRedirect();
        self::assertSame('P-1', $crawler->filter('input[name="number[]"]')->first()->attr('value'));
        self::assertSelectorTextContains('table.parts', 'stud, M8');
        $account = $this->account($fit);
        $labour = array_values(array_filter($account['lines'], static fn (array $line): bool => 'labour' === $line['line']));
        self::assertSame(74.5, $labour[0]['each']);
        self::assertEqualsWithDelta(
            array_sum(array_column($account['lines'], 'cost')), $account['after'], 0.05, 'the figure is the sum of its lines',
        );
        self::assertContains(['part', 'stud, M8', 'S 8', 3], array_map(
            static fn (array $line): array => [$line['line'], $line['what'], $line['number'], $line['cost']], $account['lines'],
        ));
        $same = $this->service(FitBook::class)->get($fit);
        $next = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get($same->vehicle->id), $same->procedures, $same->choices, 'Joss Wending',
        );
        $crawler = $this->client->request('GET', "/fits/$next->id/cost");
        self::assertSame('P-1', $crawler->filter('input[name="number[]"]')->first()->attr('value'));
        self::assertStringNotContainsString('stud, M8', $crawler->filter('table.parts')->text(), 'what came on then is not planned now');
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrong(): iterable
    {
        yield 'no number of pieces' => [['used' => 'two'], 'How many were used is a number'];
        yield 'no price' => [['each' => 'cheap'], 'A price is a number'];
        yield 'less than nothing' => [['used' => '-1'], 'How many were used is a number'];
        yield 'a price without a part' => [['name' => ''], 'Name the part'];
    }

    /** @param array<string, string> $change */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidInPlaceAndNothingTypedIsLost(array $change, string $says): void
    {
        $this->signIn('joss');
        $fit = $this->signed();
        $row = $change + ['name' => 'a stud', 'number' => 'S 8', 'used' => '1', 'each' => '2'];
        $values = array_map(static fn (string $one): array => [$one], $row) + ['_csrf' => $this->token()];
        $this->client->request('POST', "/fits/$fit/cost", $values);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', $says);
        self::assertSelectorExists('input[value="S 8"]');
        self::assertSame(0, $this->db()->fetchOne('SELECT COUNT(*) FROM fit_part'));
    }

    public function testTheTableIsReadOffTheDocumentAndNoCellIsAFormula(): void
    {
        $this->signIn('ines');
        $fit = $this->signed();
        $this->client->request('POST', "/fits/$fit/cost", [
            '_csrf' => $this->token(), 'name' => ['=HYPERLINK("x")'], 'number' => ['+1'], 'used' => ['1'], 'each' => ['2'],
        ]);
        $account = $this->account($fit);
        $this->service(SchemaBook::class)->ensureValid($account, 'account-1');
        $this->client->request('GET', "/fits/$fit/account.csv");
        $csv = (string) $this->client->getResponse()->getContent();
        $rows = array_map(static fn (string $line): array => str_getcsv($line, escape: ''), explode("\n", trim($csv)));
        self::assertSame(AccountDocument::COLUMNS, $rows[0]);
        self::assertCount(count($account['lines']) + 1, $rows);
        self::assertStringContainsString("\"'=HYPERLINK(", $csv);
        self::assertStringContainsString("'+1", $csv);
        $this->client->request('GET', '/accounts.csv?vehicle=veldra-tarn-20t');
        self::assertResponseIsSuccessful();
        self::assertStringNotContainsString('Drover', (string) $this->client->getResponse()->getContent());
        $this->signIn('joss');
        $this->client->request('GET', '/accounts.csv');
        self::assertResponseStatusCodeSame(403);
    }

    public function testThePriceListIsKeptAndFitsBeginWithIt(): void
    {
        $this->signIn('ines');
        $fit = $this->signed();
        $part = $this->client->request('GET', "/fits/$fit/cost")->filter('input[name="name[]"]')->first()->attr('value') ?? '';
        $save = fn (string $each): mixed => $this->client->request('POST', '/workshop/prices', [
            '_csrf' => $this->token(), 'name' => [mb_strtoupper($part), '', 'stud'], 'number' => ['P-9', '', ''],
            'each' => [$each, '', '2'],
        ]);
        $save('dear');
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'A price is a number');
        self::assertSelectorExists('input[value="dear"]');
        $save('41.25');
        self::assertResponseRedirects();
        $crawler = $this->client->request('GET', "/fits/$fit/cost");
        self::assertSame('P-9', $crawler->filter('input[name="number[]"]')->first()->attr('value'));
        self::assertSame('41.25', $crawler->filter('input[name="each[]"]')->first()->attr('value'));
        $this->client->request('POST', '/workshop/prices', ['_csrf' => $this->token(), 'name' => [''], 'number' => [''], 'each' => ['']]);
        self::assertSame([], $this->service(CostBook::class)->prices());
        $this->signIn('joss');
        $this->client->request('GET', '/workshop/prices');
        self::assertResponseStatusCodeSame(403);
    }

    public function testAHelperReadsAndDoesNotWrite(): void
    {
        $this->signIn('petra');
        $fit = $this->signed();
        $this->client->request('GET', "/fits/$fit/cost");
        self::assertSelectorNotExists('main button');
        self::assertSelectorTextContains('#cost', 'where a lead does');
        $this->client->request('POST', "/fits/$fit/cost", ['_csrf' => $this->token(), 'name' => ['x']]);
        self::assertResponseStatusCodeSame(403);
    }

    private function signed(): string
    {
        return $this->service(FitBook::class)->signed(1)[0]->id;
    }

    /** @return array{lines: list<array<string, mixed>>, after: float} */
    private function account(string $fit): array
    {
        $this->client->request('GET', "/fits/$fit/account.json");
        /** @var array{lines: list<array<string, mixed>>, after: float} $account */
        $account = json_decode((string) $this->client->getResponse()->getContent(), true);

        return $account;
    }
}
