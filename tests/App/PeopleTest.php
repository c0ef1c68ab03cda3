<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Accounts\AccountBook;
use NimbleKnuckle\App\Accounts\AccountCodeCommand;
use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\DemoPassword;
use NimbleKnuckle\App\Accounts\FirstCode;
use NimbleKnuckle\App\Accounts\FirstLeadController;
use NimbleKnuckle\App\Accounts\HandsHere;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Accounts\MayVoter;
use NimbleKnuckle\App\Accounts\OwnController;
use NimbleKnuckle\App\Accounts\OwnPasswordForm;
use NimbleKnuckle\App\Accounts\PasswordForm;
use NimbleKnuckle\App\Accounts\PeopleController;
use NimbleKnuckle\App\Accounts\PersonForm;
use NimbleKnuckle\App\Accounts\Pin;
use NimbleKnuckle\App\Accounts\Role;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

#[CoversClass(HandsHere::class)]
#[CoversClass(May::class)]
#[CoversClass(MayVoter::class)]
#[CoversClass(OwnController::class)]
#[CoversClass(OwnPasswordForm::class)]
#[CoversClass(Pin::class)]
#[CoversClass(PeopleController::class)]
#[CoversClass(FirstLeadController::class)]
#[CoversClass(FirstCode::class)]
#[CoversClass(PersonForm::class)]
#[CoversClass(PasswordForm::class)]
#[CoversClass(AccountCodeCommand::class)]
#[CoversClass(Role::class)]
final class PeopleTest extends AppTestCase
{
    private const GOOD = ['name' => 'Hale Brisk', 'login' => 'hale', 'role' => 'helper', 'password' => 'wet hose clamp'];

    public function testALeadAddsSomebodyWhoThenSignsIn(): void
    {
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/people');
        self::assertSelectorTextContains('nav', 'Workshop');
        $this->client->submit($crawler->selectButton('Add the person')->form(), self::GOOD);
        $crawler = $this->client->followRedirect();
        self::assertSelectorTextContains('.notice', 'Hale Brisk can sign in as “hale”');
        $this->client->submit($crawler->filter('form[action="/sign-out"]')->form());
        $crawler = $this->client->request('GET', '/sign-in');
        $this->client->submit($crawler->selectButton('Sign in')->form(), ['login' => 'hale', 'password' => 'wet hose clamp']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('.who', 'Hale Brisk');
        $this->client->request('GET', '/people');
        self::assertResponseStatusCodeSame(403);
    }

    /** @param array<string, string> $wrong */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidInPlaceAndNothingTypedIsLost(array $wrong, string $field, string $says): void
    {
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/people');
        $this->client->submit($crawler->selectButton('Add the person')->form(), $wrong + self::GOOD);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#'.$field.'-help .bad', $says);
        self::assertSelectorExists('#'.$field.'[aria-invalid=true]');
        $typed = $this->client->getCrawler()->filter('#name')->attr('value') ?? '';
        self::assertSame('name' === $field ? $wrong['name'] : 'Hale Brisk', $typed);
        self::assertNull($this->service(AccountBook::class)->named('hale'));
    }

    /** @return iterable<array{array<string, string>, string, string}> */
    public static function wrong(): iterable
    {
        yield [['name' => ''], 'name', 'as it should stand in the logbook'];
        yield [['name' => 'Joss Wending'], 'name', 'There is a Joss Wending already, login “joss”'];
        yield [['login' => 'joss'], 'login', '“joss” is taken'];
        yield [['login' => 'h a l e'], 'login', 'a-z, 0-9'];
        yield [['password' => 'short'], 'password', 'at least 10'];
    }

    public function testAPersonIsChangedAndComesBackUnderTheNewName(): void
    {
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/people/joss');
        $this->client->submit($crawler->selectButton('Save')->form(), ['name' => 'Joss W. Wending', 'role' => 'lead']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Joss W. Wending');
        self::assertTrue($this->known('joss')->isLead());
        $crawler = $this->client->request('GET', '/people/joss');
        $this->client->submit($crawler->selectButton('Save')->form(), ['name' => 'Ines Tarrow']);
        self::assertSelectorTextContains('#name-help .bad', 'There is a Ines Tarrow already');
        $this->client->request('GET', '/people/nobody');
        self::assertResponseStatusCodeSame(404);
    }

    public function testTheLastLeadStaysAndNobodySwitchesThemselvesOff(): void
    {
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/people/ines');
        $this->client->submit($crawler->selectButton('Save')->form(), ['role' => 'mechanic']);
        self::assertSelectorTextContains('[role=alert]', 'Ines Tarrow is the only lead');
        $crawler = $this->client->request('GET', '/people/ines');
        $this->client->submit($crawler->selectButton('Switch off')->form());
        $this->client->followRedirect();
        self::assertSelectorTextContains('.notice', 'You cannot switch yourself off');
        $this->expectExceptionMessageMatches('/only lead/');
        $this->service(AccountBook::class)->switchOff('ines');
    }

    public function testSwitchedOffSignedOutAndBackAgain(): void
    {
        $all = ['Switch off' => 'What was done stays', 'Switch on again' => 'can sign in again', 'Sign out everywhere' => 'everywhere'];
        foreach ($all as $button => $said) {
            $this->signIn('ines');
            $crawler = $this->client->request('GET', '/people/joss');
            $this->client->submit($crawler->selectButton($button)->form());
            $this->client->followRedirect();
            self::assertSelectorTextContains('.notice', $said);
        }
        $crawler = $this->client->request('GET', '/people/joss');
        $this->client->submit($crawler->selectButton('Change the password')->form(), ['password' => 'aaaaaaaaaaaa']);
        self::assertSelectorTextContains('#password-help .bad', 'repeats itself');
        $again = $this->client->getCrawler()->selectButton('Change the password')->form();
        $this->client->submit($again, ['password' => 'four loose nuts']);
        self::assertResponseRedirects('/people');
    }

    public function testWithoutTheTokenNothingIsWritten(): void
    {
        $this->signIn('ines');
        $this->client->request('POST', '/people', self::GOOD);
        self::assertResponseStatusCodeSame(403);
        self::assertNull($this->service(AccountBook::class)->named('hale'));
    }

    public function testWhereNobodyIsYetTheFirstLeadIsMadeWithTheCode(): void
    {
        $this->client->request('GET', '/first');
        self::assertResponseRedirects('/sign-in', 303, 'where somebody is, there is no first');
        self::assertSame(2, $this->command('account:code', [])->getStatusCode());
        $this->db()->executeStatement('DELETE FROM account');
        $this->client->request('GET', '/sign-in');
        self::assertResponseRedirects('/first');
        $code = trim($this->command('account:code', [])->getDisplay());
        self::assertMatchesRegularExpression('/\A[A-HJ-NP-Z2-9]{8}\z/', $code);
        self::assertSame($code, trim($this->command('account:code', [])->getDisplay()), 'asked again, it is the same');
        $lead = ['name' => 'Ada Quill', 'login' => 'ada', 'password' => 'seven dry threads'];
        $crawler = $this->client->request('GET', '/first');
        $this->client->submit($crawler->selectButton('Start the workshop')->form(), ['code' => 'WRONG'] + $lead);
        self::assertSelectorTextContains('#code-help .bad', 'That is not the code');
        self::assertSame('Ada Quill', $this->client->getCrawler()->filter('#name')->attr('value') ?? '');
        $this->client->submit(
            $this->client->getCrawler()->selectButton('Start the workshop')->form(),
            ['code' => strtolower(substr($code, 0, 4).' '.substr($code, 4))] + $lead,
        );
        self::assertResponseRedirects('/workshop');
        $this->client->followRedirect();
        self::assertSelectorTextContains('.notice', 'Welcome, Ada Quill');
        self::assertSelectorTextContains('.who', 'Ada Quill');
        self::assertTrue($this->known('ada')->isLead());
        $this->client->request('GET', '/first');
        self::assertResponseRedirects('/sign-in');
    }

    public function testFiveWrongTriesMakeAnotherCode(): void
    {
        $this->db()->executeStatement('DELETE FROM account');
        $code = $this->service(FirstCode::class);
        $first = $code->now();
        for ($i = 0; $i < 4; ++$i) {
            self::assertFalse($code->isRight('AAAAAAAA'));
        }
        self::assertSame($first, $code->now());
        self::assertFalse($code->isRight(''));
        self::assertNotSame($first, $code->now());
        self::assertFalse($code->isRight($first));
        $code->used();
    }

    private function known(string $login): AccountRecord
    {
        return $this->service(AccountBook::class)->named($login) ?? self::fail($login);
    }

    public function testWhatIsListedIsWhatTheBenchAndThePagesAllow(): void
    {
        foreach (Role::cases() as $role) {
            $hand = $role->hand();
            foreach (BenchRight::cases() as $right) {
                self::assertSame($hand->may($right), May::from($right->value)->allows($role), $role->value.' '.$right->value);
            }
            self::assertTrue($hand->may(BenchRight::Record));
            self::assertSame(Role::Helper !== $role, $hand->may(BenchRight::StopFits));
            self::assertSame(Role::Lead === $role, $hand->may(BenchRight::Overrule));
            self::assertFalse(Authority::Server->may(BenchRight::SignOff), 'the server signs nothing');
        }
        $said = array_map(static fn (May $may): string => $may->words(), May::cases());
        self::assertSame(array_unique($said), $said);
        $pages = [
            'plan-fits' => '/start', 'keep-vehicles' => '/vehicles/veldra-tarn-20t/edit', 'take-in' => '/import',
            'keep-people' => '/people',
            'keep-workshop' => '/workshop', 'keep-backups' => '/backups',
        ];
        foreach (['ines', 'joss', 'petra'] as $login) {
            $person = $this->signIn($login);
            foreach ($pages as $may => $path) {
                $this->client->request('GET', $path);
                self::assertResponseStatusCodeSame(May::from($may)->allows($person->role) ? 200 : 403, $login.' '.$path);
            }
        }
    }

    /** A role is asked for nowhere by its own name: what a page needs stands in one place. */
    public function testNoPageAsksForARoleItself(): void
    {
        $found = [];
        foreach (['src', 'templates'] as $folder) {
            $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__, 2).'/'.$folder));
            foreach ($files as $file) {
                $text = $file instanceof \SplFileInfo && $file->isFile() ? (string) file_get_contents($file->getPathname()) : '';
                1 === preg_match('/ROLE_[A-Z]+|IsGranted\(\'/', $text) && $found[] = basename($file->getPathname());
            }
        }
        self::assertSame([], $found);
    }

    public function testAPinChangesHandsAmongThoseWhoSignedInHereToday(): void
    {
        $this->enter('joss');
        $this->setPin('2580');
        $crawler = $this->client->request('GET', '/hands');
        self::assertSelectorTextContains('main', 'Nobody else can take over');
        $this->client->submit($crawler->selectButton('Sign in somebody else')->form());
        $this->enter('petra');
        $crawler = $this->client->request('GET', '/hands?to=/fits');
        self::assertCount(1, $crawler->filter('.hands input[type=radio]'), 'Joss, and not Ines who never signed in here');
        $this->client->submit($crawler->selectButton('Take over')->form(), ['pin' => '1357']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.who', 'Petra Lunn');
        $this->client->submit($this->client->getCrawler()->selectButton('Take over')->form(), ['pin' => '2580']);
        self::assertResponseRedirects('/fits');
        $this->client->followRedirect();
        self::assertSelectorTextContains('.who', 'Joss Wending');
    }

    /** How a tired or a curious person would get past it. */
    public function testAPinIsNoWayRound(): void
    {
        $this->enter('ines');
        $this->setPin('2580');
        $this->client->submit($this->client->request('GET', '/hands')->selectButton('Sign in somebody else')->form());
        $this->enter('petra');
        $take = function (string $pin, string $login = 'ines'): bool {
            $this->client->request('POST', '/hands', ['_csrf' => $this->token(), 'login' => $login, 'pin' => $pin]);

            return $this->client->getResponse()->isRedirection();
        };
        self::assertFalse($take('0000', 'joss'), 'who did not sign in here');
        self::assertFalse($take('', 'petra'), 'who is there already');
        for ($i = 0; $i < HandsHere::TRIES; ++$i) {
            self::assertFalse($take('1111'));
        }
        self::assertFalse($take('2580'), 'after five wrong ones not even the right one');
        $this->client->getCookieJar()->expire(HandsHere::COOKIE);
        $this->db()->executeStatement('UPDATE hand_here SET wrong = 0');
        self::assertFalse($take('2580'), 'on another tablet');
    }

    /** @return iterable<string, array{string}> */
    public static function ends(): iterable
    {
        yield 'the next day' => ["UPDATE hand_here SET day = '2020-01-01'"];
        yield 'every session ended' => ["UPDATE account SET sessions = sessions + 1 WHERE login = 'ines'"];
        yield 'switched off' => ["UPDATE account SET is_off = 1 WHERE login = 'ines'"];
        yield 'no PIN any more' => ["UPDATE account SET pin = '' WHERE login = 'ines'"];
    }

    #[DataProvider('ends')]
    public function testAPinEndsWith(string $what): void
    {
        $this->enter('ines');
        $this->setPin('2580');
        $this->client->submit($this->client->request('GET', '/hands')->selectButton('Sign in somebody else')->form());
        $this->enter('petra');
        $this->db()->executeStatement($what);
        $this->client->request('POST', '/hands', ['_csrf' => $this->token(), 'login' => 'ines', 'pin' => '2580']);
        self::assertResponseStatusCodeSame(422);
    }

    public function testWhoSignsOutIsGoneFromTheTablet(): void
    {
        $this->enter('ines');
        $this->setPin('2580');
        $this->client->submit($this->client->request('GET', '/')->filter('form[action="/sign-out"]')->form());
        $this->enter('petra');
        self::assertSelectorNotExists('.hands');
        self::assertSame(['petra'], $this->db()->fetchFirstColumn('SELECT login FROM hand_here'));
    }

    /** @return iterable<array{string, string}> */
    public static function badPins(): iterable
    {
        yield ['123', 'four to eight digits'];
        yield ['12a4', 'four to eight digits'];
        yield ['1234', 'only counts'];
        yield ['9876', 'only counts'];
        yield ['4444', 'repeats itself'];
        yield ['2323', 'repeats itself'];
        yield ['٢٥٨٠', 'four to eight digits'];
    }

    #[DataProvider('badPins')]
    public function testAPinIsNotEasilyGuessed(string $pin, string $says): void
    {
        $this->enter('joss');
        $this->setPin($pin);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', $says);
    }

    public function testOnesOwnPasswordIsChangedWithTheOneThereIs(): void
    {
        $this->enter('joss');
        $form = fn () => $this->client->request('GET', '/me')->selectButton('Change the password')->form();
        $this->client->submit($form(), ['now' => 'wrong one here', 'new' => 'seven dry threads']);
        self::assertSelectorTextContains('main', 'That is not the password you have');
        $this->client->submit($form(), ['now' => DemoPassword::VALUE, 'new' => 'seven dry threads']);
        self::assertResponseRedirects('/me');
        $this->client->followRedirect();
        self::assertSelectorTextContains('.who', 'Joss Wending', 'still signed in here');
        self::assertTrue($this->service(AccountBook::class)->isPassword('joss', 'seven dry threads'));
        self::assertSelectorTextContains('aside', 'plan a fit');
    }

    private function enter(string $login): void
    {
        $crawler = $this->client->request('GET', '/sign-in');
        $this->client->submit(
            $crawler->selectButton('Sign in')->form(), ['login' => $login, 'password' => DemoPassword::VALUE],
        );
        $this->client->followRedirect();
        self::assertSelectorExists('.who');
    }

    private function setPin(string $pin): void
    {
        $crawler = $this->client->request('GET', '/me');
        $this->client->submit($crawler->selectButton('Set the PIN')->form(), ['pin_now' => DemoPassword::VALUE, 'pin' => $pin]);
    }
}
