<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Accounts\AccountBook;
use NimbleKnuckle\App\Accounts\AccountCodeCommand;
use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\FirstCode;
use NimbleKnuckle\App\Accounts\FirstLeadController;
use NimbleKnuckle\App\Accounts\Form\PasswordForm;
use NimbleKnuckle\App\Accounts\Form\PersonForm;
use NimbleKnuckle\App\Accounts\PeopleController;
use NimbleKnuckle\App\Accounts\Role;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

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
}
