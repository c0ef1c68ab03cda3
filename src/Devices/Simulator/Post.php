<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Simulator;

use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\HttpClient\HttpClient;
use Symfony\Contracts\HttpClient\Exception\ExceptionInterface;

/** Sends readings over HTTP, as a device would. */
final readonly class Post
{
    /**
     * @return array{finding: string, said: string, marked: bool}
     *
     * @throws InvalidInput with the server's own sentence, or that it does not answer
     */
    public function reading(string $url, string $token, string $json): array
    {
        try {
            $response = HttpClient::create()->request(
                'POST', rtrim($url, '/').'/api/readings',
                ['auth_bearer' => $token, 'headers' => ['Content-Type' => 'application/json'], 'body' => $json, 'timeout' => 10],
            );
            $answer = json_decode($response->getContent(false), true);
        } catch (ExceptionInterface $e) {
            throw InvalidInput::in('url', sprintf('%s does not answer: %s', $url, $e->getMessage()));
        }
        is_array($answer) || throw InvalidInput::in('url', 'That server answers in a language we do not speak.');
        self::ensureTaken($answer['error'] ?? null);
        $text = static fn (string $name): string => is_string($answer[$name] ?? null) ? $answer[$name] : '';

        return ['finding' => $text('finding'), 'said' => $text('said'), 'marked' => true === ($answer['marked'] ?? false)];
    }

    /** @throws InvalidInput with what the other side said */
    private static function ensureTaken(mixed $error): void
    {
        if (is_array($error)) {
            throw InvalidInput::in(
                is_string($error['field'] ?? null) ? $error['field'] : 'url',
                is_string($error['message'] ?? null) ? $error['message'] : 'It was refused.',
            );
        }
    }
}
