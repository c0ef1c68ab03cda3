<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\Core\BeltDrive\BeltCode;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\BeltDrive\DriveState;
use NimbleKnuckle\Core\BeltDrive\HeardDrawing;
use NimbleKnuckle\Core\BeltDrive\NoSound;
use NimbleKnuckle\Core\BeltDrive\NoteDetector;
use NimbleKnuckle\Core\BeltDrive\Pluck;
use NimbleKnuckle\Core\BeltDrive\Recording;
use NimbleKnuckle\Core\BeltDrive\Span;
use NimbleKnuckle\Core\BeltDrive\SpanNote;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The tension of a belt by the note of a span: plucked, recorded, heard. Nothing of it is kept. */
final class TensionController extends AbstractController
{
    private const AT = ['id' => '[a-z0-9-]{1,80}', 'name' => '[a-z0-9][a-z0-9.-]{0,79}'];
    private const MOST_BYTES = 8_000_000;

    #[Route('/vehicles/{id}/drives/{name}/tension', name: 'tension', requirements: self::AT, methods: ['GET', 'POST'])]
    #[IsGranted(May::Record->value)]
    public function __invoke(string $id, string $name, Request $request, Garage $garage, DriveShelf $shelf): Response
    {
        $vehicle = $garage->get($id);
        $drive = Drive::read(Node::of($shelf->document($vehicle, $name)));
        $spans = self::spans($drive);
        $chosen = $request->request->getInt('span', $spans[0]->from ?? 0);
        $span = array_values(array_filter($spans, static fn (Span $one): bool => $one->from === $chosen))[0] ?? $spans[0] ?? null;
        $code = BeltCode::read($drive->belt);
        $mass = null === $code ? null : SpanNote::mass($code->section, $code->ribs);
        [$error, $heard, $plot] = ['', null, null];
        try {
            if ($request->isMethod('POST')) {
                $recording = self::recording($request);
                $heard = NoteDetector::to($recording);
                $plot = HeardDrawing::of($recording, $heard);
            }
        } catch (CoreException $e) {
            $error = $e->getMessage();
        }

        return $this->render('drives/tension.html.twig', [
            'vehicle' => $vehicle, 'name' => $name, 'drive' => $drive, 'spans' => $spans, 'span' => $span, 'mass' => $mass,
            'heard' => $heard, 'plot' => $plot, 'error' => $error,
            'tension' => null === $heard || null === $mass || null === $span ? null : SpanNote::tension(
                $mass, Length::millimetres($span->length), $heard->note,
            ),
        ], new Response(status: '' === $error ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY));
    }

    /** @return list<Span> the longest first: it sounds lowest and is reached best */
    private static function spans(Drive $drive): array
    {
        $spans = DriveState::of($drive)->path->spans ?? [];
        usort($spans, static fn (Span $a, Span $b): int => $b->length <=> $a->length);

        return $spans;
    }

    /** A plucked belt as a file, for who has no microphone at hand. */
    #[Route('/vehicles/{id}/drives/{name}/tension/example', name: 'pluck', requirements: self::AT, methods: ['GET'])]
    public function example(Request $request): Response
    {
        $note = max(NoteDetector::LOWEST, min(NoteDetector::HIGHEST, (float) $request->query->getString('note', '84')));

        return new Response(Pluck::recording($note, 20.0, 50.0, (int) round(10 * $note))->asWav(), headers: [
            'Content-Type' => 'audio/wav',
            'Content-Disposition' => HeaderUtils::makeDisposition(
                HeaderUtils::DISPOSITION_ATTACHMENT, sprintf('pluck-%d-hz.wav', (int) $note),
            ),
        ]);
    }

    private static function recording(Request $request): Recording
    {
        $file = $request->files->get('sound');
        $file instanceof UploadedFile && $file->isValid() || throw InvalidInput::in('sound', 'Choose the recording first, a WAV file.');
        $file->getSize() <= self::MOST_BYTES || throw NoSound::tooLong();

        return Recording::wav($file->getContent());
    }
}
