<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

/** What a password must be: ten signs or more, no common one, not one sign or a short piece over and over. */
final readonly class Password
{
    public const LEAST = 10;
    public const MOST = 200;
    /** The commonest of ten signs and more; those that only repeat or count are told by rule. */
    private const COMMON = [
        'password123', 'passwort123', 'qwertyuiop', 'qwertzuiop', 'asdfghjkl', 'letmeinplease', 'iloveyou123', 'administrator',
        'welcome123', 'password1234',
        'changeme123', 'trustno1trustno1', 'football123', 'baseball123', 'superman123', 'sunshine123', 'princess123', 'qwerty12345',
        'q1w2e3r4t5', '1q2w3e4r5t',
        'abcdefghij', 'workshop123', 'nimbleknuckle', 'mechanic123', 'garage12345',
    ];

    /** @throws \DomainException with a sentence for the person at the keyboard */
    public static function ensureGood(#[\SensitiveParameter] string $password): void
    {
        mb_strlen($password) >= self::LEAST || throw new \DomainException(sprintf(
            'The password needs at least %d characters.', self::LEAST,
        ));
        mb_strlen($password) <= self::MOST || throw new \DomainException(sprintf('The password has at most %d characters.', self::MOST));
        $low = mb_strtolower($password);
        self::isRepeated($low) && throw new \DomainException('That password repeats itself: take several words instead.');
        (in_array($low, self::COMMON, true) || self::counts($low))
            && throw new \DomainException('That password is one of the commonest: take several words instead.');
    }

    private static function isRepeated(string $text): bool
    {
        return 1 === preg_match('/\A(.{1,3}?)\1+.{0,2}\z/us', $text);
    }

    private static function counts(string $text): bool
    {
        return str_contains(
            '01234567890123456789012345678901234567890', $text,
        ) || str_contains(
            '98765432109876543210987654321098765432109', $text,
        ) || 1 === preg_match('/\A(?:password|passwort|qwerty|qwertz|letmein|welcome|admin)[\d!.]{0,6}\z/u', $text);
    }
}
